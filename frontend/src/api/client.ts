/** The one way to the server: typed by its committed description, with Django's CSRF token. */
import { t } from "../app/words";
import createClient, { type Middleware } from "openapi-fetch";
import { reach } from "../app/reach";
import { type Problem, ProblemError } from "./problem";
import type { components, paths } from "./schema";
import type { Answer, Api } from "./typed";
import { unchanged } from "./unchanged";

export { type Problem, ProblemError };

type Schemas = components["schemas"];
export type Person = Schemas["Person"];
export type PreferencesChange = Schemas["PreferencesChange"];
export type JobRow = Schemas["JobRow"];
export type Job = Schemas["JobReply"];
export type JobSpec = Schemas["JobSpec"];
export type JobState = JobRow["state"];
export type Plan = Schemas["PlanReply"];
export type Quantity = Schemas["Quantity"];
export type School = Schemas["School"];
export type Finding = Schemas["Finding"];
export type Action = Schemas["Action"];
export type Piece = Schemas["Piece"];
export type Drawing = Schemas["Drawing"];
export type StandingBook = Schemas["StandingBook"];
export type DrawingElement = Drawing["elements"][number];
export type Station = Quantity["station"];
export type StaleReply = Schemas["StaleReply"];
export type MeetReply = Required<Schemas["MeetReply"]>;
export type MeetChoice = Schemas["Meeting"];
export type HistoryStep = Schemas["HistoryStep"];
export type ConvertQuestion = Schemas["ConvertQuestion"];
export type OfferQuestion = Schemas["OfferQuestion"];
export type Choices = Schemas["Choices"];
export type Role = Person["role"];
export type Member = Schemas["Member"];
export type EntryLink = Schemas["Link"];
export type Operation = Schemas["Operation"];
export type AskedSize = Schemas["Asked"];
export type Standing = Schemas["Standing"];
export type BenchReply = Schemas["BenchReply"];
export type BenchEntry = Schemas["Entry"];
export type ToldReply = Schemas["ToldReply"];
export type LayReady = Schemas["LayReady"];
export type PracticeVerdict = Schemas["Verdict"];
export type OfferedPaper = Schemas["OfferedPaper"];
export type BookRecord = Schemas["RecordReply"];
export type RecordPicture = Schemas["Picture"];
export type StationTitle = Schemas["StationTitle"];
export type Beginning = Schemas["Beginning"];
export type FoldChoice = Schemas["FoldChoice"];
export type MakeUpChoice = Schemas["MakeUpChoice"];
export type Film = Schemas["Film"];
export type ExtraRecord = Schemas["ExtraRecord"];
export type FormField = Schemas["FormField"];
export type FormRecord = Schemas["FormRecord"];
export type EntryPath = FormRecord["paths"][number];
export type FormName = FormRecord["name"];
export type StructureChoice = Schemas["StructureChoice"];
export type Artwork = Schemas["ArtworkReply"];
export type CoverArt = Schemas["CoverArt"];
export type CoverRules = Schemas["CoverRules"];
export type CoverProfile = Schemas["ProfileReply"];
export type SetRow = Schemas["SetRow"];
export type SetReply = Schemas["SetReply"];
export type Volume = Schemas["Volume"];
export type HouseReply = Schemas["HouseReply"];
export type House = Schemas["House"];
export type RuleEntry = Schemas["RuleEntry"];
export type Way = Schemas["Way"];
export type Comparison = Schemas["Comparison"];
export type Offered = Schemas["Offered"];
export type SewingFilm = Schemas["SewingFilm"];
export type SewingStep = Schemas["SewingStep"];
export type Dummy = Schemas["Dummy"];
export type DummyPage = Schemas["DummyPage"];
export type SourceText = Schemas["TextReply"];
export type PrinterProfile = Schemas["PrinterReply"];
export type PrintFile = Schemas["PrintReply"];
export type PrintPart = PrintFile["part"];
export type TryOrder = Schemas["TryOrder"];
export type TryReply = Schemas["TryReply"];
export type ShelfRow = Schemas["ShelfRow"];
export type StockItem = Schemas["StockItem"];
export type StockKind = StockItem["kind"];
export type StockDraft = Schemas["StockDraft"];
export type StockInput = Schemas["StockItemInput"];
export type HouseInput = Required<Schemas["HouseInput"]>;
export type VolumeInput = Schemas["VolumeInput"];
export type SetInput = Required<Schemas["SetSpecInput"]>;
export type GrainGuide = Schemas["GuideReply"];
export type Candidate = Schemas["Candidate"];
export type StockChoice = Schemas["Choice"];
export type CuttingRow = Schemas["CuttingRow"];
export type Cutting = Schemas["CuttingReply"];
export type CutGroup = Schemas["GroupReply"];
export type CutSheet = Schemas["SheetReply"];
export type CuttingOptions = Schemas["CuttingRequest"];
export type TermsReply = Schemas["TermsReply"];
export type TermsInput = Required<Schemas["TermsInput"]>;
export type CustomerRow = Schemas["CustomerRow"];
export type CustomerChange = Schemas["CustomerChange"];
export type Agreement = Schemas["AgreementReply"];
export type BoughtThing = Schemas["BoughtInput"];
export type Costing = Schemas["Costing"];
export type CostLine = Schemas["CostLine"];
export type PaperRow = Schemas["PaperRow"];
export type Daybook = Schemas["DaybookReply"];
export type LearningReply = Schemas["LearningReply"];
export type Experience = Schemas["Experience"];
export type DaybookEntry = Schemas["DaybookEntry"];
export type Week = Schemas["WeekReply"];
export type Spell = Schemas["Spell"];
export type Stint = Schemas["Stint"];
export type Together = Schemas["Together"];
export type Waiting = Schemas["Waiting"];
export type JobInWeek = Schemas["JobInWeek"];
export type Laying = Schemas["LayingReply"];
export type StepMove = Schemas["Move"];
export type PromiseReply = Schemas["PromiseReply"];
export type WhenReady = Schemas["Answer"];
export type WorkplaceReply = Schemas["WorkplaceReply"];
export type WorkplaceInput = Required<Schemas["WorkplaceInput"]>;
export type WorkerInput = Schemas["WorkerInput"];
export type EquipmentInput = Schemas["EquipmentInput"];

function cookie(name: string): string {
  const found = document.cookie.split("; ").find((entry) => entry.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : "";
}

const sayingWhetherReached: Middleware = {
  onResponse: ({ response }) => reach.answered(response.status),
  onError: ({ error }) => {
    if (error instanceof DOMException && error.name === "AbortError") return undefined;
    reach.answered(0);
    const message = t("app.wealdDoesNotAnswerJustNow");
    return new ProblemError(0, { code: "unreachable", message, fields: {} });
  },
};

const withToken: Middleware = {
  onRequest({ request }) {
    if (!["GET", "HEAD"].includes(request.method)) {
      request.headers.set("X-CSRFToken", csrfToken());
    }
    return request;
  },
};

/** The token Django wants with every write. */
export function csrfToken(): string {
  return cookie("__Host-csrftoken") || cookie("csrftoken");
}

export const api = createClient<paths>({ baseUrl: "/" }) as unknown as Api;
// the last looks at an answer first
api.use(withToken, sayingWhetherReached, unchanged());

/** Whether it is what the server says where it refuses. */
export function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "code" in value && "message" in value;
}

/** The answer's data, or a ProblemError thrown. */
export function unwrap<T>({ data, error, response }: Answer<T>): T {
  if (response.ok && data !== undefined) return data;
  const problem = isProblem(error)
    ? error
    : { code: "unreachable", message: t("app.wealdDoesNotAnswerJustNow"), fields: {} };
  throw new ProblemError(response.status, problem);
}
