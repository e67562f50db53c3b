import type {
  Delivery,
  Family,
  FileDetails,
  FileRow,
  Flag,
  Gathered,
  HeldFile,
  Intake,
  IntakeFamily,
  IntakeOverview,
  License,
  Role,
  Site,
} from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";
import { emptyTerms } from "../license/terms";

export function file(change: Partial<HeldFile> = {}): HeldFile {
  return {
    id: "file1",
    fileName: "Ostrel-Regular.ttf",
    sha256: "a".repeat(64),
    bytes: 30_000,
    format: "ttf",
    formatLabel: "TTF",
    slot: { ...staticSlot(400, "upright"), label: "Regular" },
    subfamily: "Regular",
    drawing: "d1",
    glyphs: 300,
    codePoints: 245,
    sample: "Ag",
    fontVersion: "Version 1.0",
    embedding: "INSTALLABLE",
    embeddingLabel: "installable",
    madeHere: false,
    addedAt: "2026-05-04T10:00:00Z",
    addedBy: "priya",
    ...change,
  };
}

export function details(change: Partial<FileDetails> = {}): FileDetails {
  return {
    characters: [{ name: "Basic Latin", characters: "ABCabc" }],
    languages: ["English"],
    nearly: [],
    features: [],
    axes: [],
    instances: [],
    unitsPerEm: 1000,
    lineHeight: 1220,
    metrics: [{ name: "hhea ascender", value: 950 }],
    metricsAgree: true,
    hinting: "not hinted",
    color: [],
    cutDown: [],
    opticalSize: "",
    designer: "",
    foundry: "",
    copyright: "",
    trademark: "",
    license: "",
    licenseUrl: "",
    openLicense: "",
    embedding: "installable",
    marks: [],
    problems: [],
    ...change,
  };
}

export function family(change: Partial<Family> = {}): Family {
  return {
    id: "f1",
    version: 3,
    name: "Ostrel",
    foundry: "",
    classification: "",
    files: [file()],
    asks: [],
    licenses: [],
    sites: [],
    ...change,
  };
}

export function license(change: Partial<License> = {}, terms: Partial<License["terms"]> = {}): License {
  return {
    id: "l1",
    version: 5,
    terms: { ...emptyTerms, name: "Ostrel web license", vendor: "Marrow Type", ...terms },
    familyNames: { f1: "Ostrel" },
    agreement: [],
    holderName: "",
    pageViews: [],
    allows: ["Ostrel may be served in any format on any domain."],
    acts: [
      { act: "SERVE", clause: "GRANTED", source: "TERMS" },
      { act: "CONVERT", clause: "NOT_STATED", source: "BASIS" },
    ],
    ...change,
  };
}

/** How fonts are delivered, as it is until somebody describes it. */
export const usualDelivery: Delivery = {
  languages: [],
  words: "",
  browsers: "MODERN",
  budget: null,
  prefix: "",
  standIns: false,
  kind: "FOLDER",
  folder: "fonts",
  base: "",
  expression: "",
  urls: {},
  names: "HYPHENS",
  digest: true,
  shape: "STYLE_SHEET",
  before: "",
  after: "",
  formats: [],
  overrides: "",
};

export function role(name: Role["role"], familyId: string, faces: Role["faces"]): Role {
  return {
    role: name,
    familyId,
    generic: "SERIF",
    faces,
    selector: "",
    size: "",
    lineHeight: "",
    letterSpacing: "",
    wordSpacing: "",
    fallbacks: [],
  };
}

export function site(change: Partial<Site> = {}): Site {
  return {
    id: "s1",
    version: 2,
    clientId: "c1",
    clientName: "Fernway Physiotherapy",
    name: "Fernway",
    domains: ["fernway.example"],
    staging: [],
    roles: [],
    delivery: usualDelivery,
    familyNames: {},
    families: {},
    ...change,
  };
}

export function flag(change: Partial<Flag> = {}): Flag {
  return {
    id: "0123456789abcdef0123",
    group: "UNLICENSED",
    kind: "NO_LICENSE",
    severity: "STOP",
    title: "Ostrel on Fernway has no license",
    reason: "The site asks for Ostrel, and no license covers it.",
    evidence: [],
    action: "RECORD_LICENSE",
    cause: "NO_LICENSE",
    siteId: "s1",
    siteName: "Fernway",
    familyId: "f1",
    familyName: "Ostrel",
    licenseId: "",
    licenseName: "",
    slot: "",
    point: "",
    question: "",
    domain: "",
    fileIds: [],
    since: "2026-10-02T09:00:00Z",
    gone: null,
    acceptedUntil: null,
    acceptedReason: "",
    acceptedBy: "",
    assignee: "",
    ...change,
  };
}

export function gathered(change: Partial<Gathered> = {}): Gathered {
  return {
    by: "CAUSE",
    key: "NO_LICENSE",
    title: "2 families have no license",
    group: "UNLICENSED",
    severity: "STOP",
    kind: "NO_LICENSE",
    action: "RECORD_LICENSE",
    count: 2,
    accepted: 0,
    families: 2,
    sites: 1,
    familyId: "",
    licenseId: "",
    since: "2026-10-02T09:00:00Z",
    single: null as never,
    ...change,
  };
}

export function row(change: Partial<FileRow> = {}): FileRow {
  return {
    id: "r1",
    path: "Brantle/Brantle-Medium.ttf",
    bytes: 30_000,
    sha256: "b".repeat(64),
    verdict: "NEW_FACE",
    because: "nothing is held for Medium",
    included: true,
    isFont: true,
    family: "Brantle",
    slot: { ...staticSlot(500, "upright"), label: "Medium" },
    subfamily: "Medium",
    format: "ttf",
    glyphs: 300,
    codePoints: 245,
    sample: "Ag",
    version: "Version 1.0",
    embedding: "installable",
    license: "",
    openLicense: "",
    foundry: "",
    classification: "",
    asks: false,
    replaces: false,
    evidence: [{ source: "name 17", says: "Medium", agrees: true, settled: "" }],
    notes: [],
    warnings: [],
    ...change,
  };
}

export function intake(rows: FileRow[], change: Partial<Intake["summary"]> = {}): Intake {
  const summary: Intake["summary"] = {
    id: "i1",
    state: "REVIEW",
    createdAt: "2026-11-20T09:00:00Z",
    createdBy: "priya",
    uploads: ["Brantle 3.zip"],
    doneBytes: 60_000,
    totalBytes: 60_000,
    failure: "",
    files: rows.length,
    ...change,
  };
  const verdicts = [...new Set(rows.map((one) => one.verdict))].map((verdict) => ({
    verdict,
    files: rows.filter((one) => one.verdict === verdict).length,
    included: rows.filter((one) => one.verdict === verdict && one.included).length,
  }));
  return { state: summary.state, summary, verdicts, rows, next: null };
}

/** A family of an intake with one file, which is new. */
export function intakeFamily(change: Partial<IntakeFamily> = {}): IntakeFamily {
  const one = row();
  return {
    key: "brantle",
    name: "Brantle",
    standing: "PLAIN",
    files: 1,
    goingIn: 1,
    undecided: 0,
    verdicts: [{ verdict: "NEW_FAMILY", files: 1, included: 1 }],
    arrivals: [
      {
        slot: one.slot,
        itemId: "r1",
        sample: "Ag",
        formats: ["ttf"],
        verdict: "NEW_FAMILY",
        goesIn: true,
        asks: false,
      },
    ],
    held: [],
    heldId: null,
    sites: [],
    foundry: "",
    classification: "",
    classificationBecause: "",
    openLicenses: [],
    warnings: [],
    ...change,
  };
}

export function overview(change: Partial<IntakeOverview> = {}): IntakeOverview {
  return {
    decide: 0,
    plain: 1,
    nothingNew: 0,
    verdicts: [{ verdict: "NEW_FAMILY", files: 1, included: 1 }],
    openLicenses: [],
    wanted: [],
    ...change,
  };
}
