import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

export default defineConfig({
  base: "/static/",
  plugins: [react(), tailwindcss()],
  build: {
    manifest: "manifest.json",
    rollupOptions: { input: "src/main.tsx" },
    assetsInlineLimit: 0,
  },
});
