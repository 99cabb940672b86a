import js from "@eslint/js";
import i18next from "eslint-plugin-i18next";
import reactHooks from "eslint-plugin-react-hooks";
import globals from "globals";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["dist", "node_modules", "src/api/schema.d.ts", "*.config.*"] },
  js.configs.recommended,
  tseslint.configs.strict,
  tseslint.configs.recommendedTypeChecked,
  {
    files: ["src/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks, i18next },
    languageOptions: {
      globals: globals.browser,
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      ...reactHooks.configs.recommended.rules,
      // an arrow that calls, and numbers in a sentence, are what React is written in
      "@typescript-eslint/no-confusing-void-expression": "off",
      // the one way to the server gives tuples back as arrays; what they are is said where they arrive
      "@typescript-eslint/no-unnecessary-type-assertion": "off",
      // words for people stand in the catalogues of src/app/words
      "i18next/no-literal-string": [
        "error",
        {
          mode: "jsx-only",
          "jsx-attributes": {
            include: [
              "^(label|title|placeholder|alt|hint|about|trigger|aria-label|aria-valuetext)$",
            ],
          },
          words: { exclude: ["[^A-Za-z]*", "[a-z_]+(\\.[a-z_]+)+", "noreferrer"] },
        },
      ],
      "@typescript-eslint/restrict-template-expressions": ["error", { allowNumber: true }],
    },
  },
);
