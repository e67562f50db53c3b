import type { Collected } from "./collect";
import { ownElement } from "./elements";
import { words } from "./words";

/** Where a reading may be sent: the address of the inventory, and a key for one reading if there is one. */
export type Target = { server: string; key: string | null };

type Reader = (keepsTexts: boolean) => Promise<Collected>;

const look = `
  :host { all: initial; }
  form { position: fixed; z-index: 2147483647; inset: 16px 16px auto auto; width: 300px; padding: 16px 18px 18px;
    box-sizing: border-box; background: #fbf8f1; color: #1d1a16; border: 1px solid #1d1a16;
    font: 14px/1.45 Georgia, serif; }
  p { margin: 0 0 10px; } b { font-weight: 600; } label { display: block; margin-bottom: 10px; }
  input[type=text] { width: 100%; box-sizing: border-box; font: inherit; padding: 4px 6px;
    border: 1px solid #8a8172; background: #fff; color: inherit; }
  button { font: inherit; padding: 4px 12px; margin-right: 8px; border: 1px solid #1d4f91; background: none;
    color: #1d4f91; cursor: pointer; }
  button:focus-visible, input:focus-visible { outline: 2px solid #1d4f91; outline-offset: 2px; }
  textarea { width: 100%; box-sizing: border-box; height: 70px; margin-top: 10px; }`;

/** Shows what will be taken along, and sends or copies it as the person asks. */
export function openPanel(page: Document, { server, key }: Target, read: Reader) {
  const host = page.createElement(ownElement);
  const root = host.attachShadow({ mode: "open" });
  const sheet = new CSSStyleSheet();
  sheet.replaceSync(look);
  root.adoptedStyleSheets = [sheet];

  const form = page.createElement("form");
  form.setAttribute("aria-label", words.title);
  const keep = page.createElement("input");
  keep.type = "checkbox";
  const keyField = page.createElement("input");
  keyField.type = "text";
  keyField.value = key ?? "";
  keyField.autocomplete = "off";
  const said = page.createElement("p");
  said.setAttribute("role", "status");
  const send = button(words.send);
  const copy = button(words.copy);
  const close = button(words.close);
  form.append(paragraph(words.title, "b"), paragraph(words.what), labelled(keep, words.keep));
  if (key === null) {
    form.append(labelled(keyField, words.key));
  }
  form.append(said, send, copy, close);
  root.append(form);
  page.documentElement.append(host);

  function button(text: string): HTMLButtonElement {
    const made = page.createElement("button");
    made.type = "button";
    made.textContent = text;
    return made;
  }

  function paragraph(text: string, tag = "span"): HTMLElement {
    const made = page.createElement("p");
    const inner = page.createElement(tag);
    inner.textContent = text;
    made.append(inner);
    return made;
  }

  function labelled(input: HTMLInputElement, text: string): HTMLLabelElement {
    const label = page.createElement("label");
    const inner = page.createElement("span");
    inner.textContent = input.type === "checkbox" ? ` ${text}` : text;
    label.append(...(input.type === "checkbox" ? [input, inner] : [inner, input]));
    return label;
  }

  async function take(): Promise<string> {
    said.textContent = words.reading;
    const { reading, texts } = await read(keep.checked);
    said.textContent = words.taken(texts, reading.files.length);
    return JSON.stringify(reading);
  }

  send.addEventListener("click", () => {
    void take().then(async (reading) => {
      said.textContent = await sent(
        `${server}/api/sent-readings/${encodeURIComponent(keyField.value.trim())}`,
        reading,
      );
    });
  });
  copy.addEventListener("click", () => {
    void take().then(async (reading) => {
      try {
        await navigator.clipboard.writeText(reading);
        said.textContent = words.copied;
      } catch {
        const field = page.createElement("textarea");
        field.value = reading;
        field.setAttribute("aria-label", words.reading);
        form.append(field);
        field.select();
        said.textContent = words.selectIt;
      }
    });
  });
  close.addEventListener("click", () => host.remove());
  form.addEventListener("submit", (event) => event.preventDefault());
  send.focus();
}

/** Sends a reading, and says how it went. */
export async function sent(address: string, reading: string): Promise<string> {
  try {
    const answer = await fetch(address, {
      method: "POST",
      credentials: "omit",
      headers: { "Content-Type": "text/plain;charset=UTF-8" },
      body: reading,
    });
    const { detail } = (await answer.json()) as { detail?: string };
    return answer.ok ? words.sent : `${words.refused} ${detail ?? answer.status}`;
  } catch {
    return words.notSent;
  }
}
