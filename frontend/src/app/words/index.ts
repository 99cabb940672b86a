/**
 * Every word on screen that does not come from the server stands in the catalogues beside this file, one for each
 * room, and is said by `t`. `{{signature}}` and its kin stand for the workshop's own word for a folded section;
 * what people wrote themselves is only ever put in, never rewritten.
 */
import i18next, { type ParseKeys } from "i18next";
import app from "./en/app.json";
import bench from "./en/bench.json";
import block from "./en/block.json";
import boards from "./en/boards.json";
import common from "./en/common.json";
import cutting from "./en/cutting.json";
import desk from "./en/desk.json";
import drawing from "./en/drawing.json";
import finish from "./en/finish.json";
import folding from "./en/folding.json";
import house from "./en/house.json";
import job from "./en/job.json";
import office from "./en/office.json";
import paper from "./en/paper.json";
import papers from "./en/papers.json";
import parts from "./en/parts.json";
import pictures from "./en/pictures.json";
import practice from "./en/practice.json";
import printing from "./en/printing.json";
import record from "./en/record.json";
import sets from "./en/sets.json";
import sewing from "./en/sewing.json";
import shelf from "./en/shelf.json";
import text from "./en/text.json";
import week from "./en/week.json";

export const en = {
  app,
  bench,
  block,
  boards,
  common,
  cutting,
  desk,
  drawing,
  finish,
  folding,
  house,
  job,
  office,
  paper,
  papers,
  parts,
  pictures,
  practice,
  printing,
  record,
  sets,
  sewing,
  shelf,
  text,
  week,
};

declare module "i18next" {
  interface CustomTypeOptions {
    resources: { translation: typeof en };
  }
}

/** The place of a sentence in the catalogues, as `desk.newJob`. */
export type WordKey = ParseKeys;

const words = i18next.createInstance();
void words.init({
  lng: "en",
  resources: { en: { translation: en } },
  initAsync: false,
  // React keeps markup out of what is put in
  interpolation: { escapeValue: false, defaultVariables: inWordsOf("signature") },
});

export const t = words.t;

function inWordsOf(vocabulary: string) {
  const capital = vocabulary.charAt(0).toUpperCase() + vocabulary.slice(1);
  return {
    signature: vocabulary,
    signatures: `${vocabulary}s`,
    Signature: capital,
    Signatures: `${capital}s`,
  };
}

/** From here on a folded section is called so; what is on screen says it when it is drawn next. */
export function speak(vocabulary: string): void {
  const { interpolation } = words.options;
  if (interpolation) interpolation.defaultVariables = inWordsOf(vocabulary);
}
