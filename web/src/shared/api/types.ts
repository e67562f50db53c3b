import type { components } from "./schema";

type Schemas = components["schemas"];

export type Who = Schemas["Who"];
export type Family = Schemas["Family"];
export type HeldFile = Schemas["File"];
export type Slot = Schemas["SlotView"];
export type Flag = Schemas["FlagView"];
export type License = Schemas["Recorded"];
export type LicenseDraft = Schemas["LicenseDraft"];
export type Client = Schemas["Client"];
export type Site = Schemas["Site"];
export type SiteDraft = Schemas["SiteDraft"];
export type Role = Schemas["Role"];
export type AskedRow = Schemas["AskedRow"];
export type Intake = Schemas["Intake"];
export type IntakeSummary = Schemas["Summary"];
export type FileRow = Schemas["FileRow"];
export type Correction = Partial<Schemas["Correction"]>;
export type Pack = Schemas["PackView"];
export type HistoryEntry = Schemas["Entry"];
export type Hit = Schemas["Hit"];
export type Clause = LicenseDraft["webUse"];
export type Verdict = AskedRow["verdict"];
export type PageOf<T> = { items: T[]; next: string | null };
