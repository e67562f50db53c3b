import { http, HttpResponse } from "msw";
import { afterAll, afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { network } from "../testing/network";
import { addressOf, collect } from "./collect";
import { attributesAskedFor, elementsOf, ownElement, styleAttribute, typeOnly } from "./elements";
import { base64, filesOf } from "./files";
import { sent } from "./panel";
import { addressesIn, plainName } from "./sheets";
import { asPainted, charactersOf } from "./texts";
import { words } from "./words";

/** These tests write whole pages; what other files of tests put into the head, such as style elements, comes back after. */
const { head, body } = document;
const inHead = [...head.childNodes];
afterAll(() => {
  Reflect.deleteProperty(Element.prototype, "checkVisibility");
  document.documentElement.replaceChildren(head, body);
  head.replaceChildren(...inHead);
});

describe("texts", () => {
  it("leave as their characters, once each and in order", () => {
    expect(charactersOf("to be  or\nnot to be")).toBe("benort");
    expect(charactersOf("Æ𐍈é e\u0301")).toBe("eÆé\u0301𐍈");
    expect(charactersOf(" \u00a0 ")).toBe("");
  });

  it.each([
    ["none", "o’neill's hall", "o’neill's hall"],
    ["uppercase", "straße", "STRASSE"],
    ["lowercase", "Big", "big"],
    ["capitalize", "o’neill's été", "O’neill's Été"],
  ])("are as they are painted: %s", (transform, text, painted) => {
    expect(asPainted(text, transform)).toBe(painted);
  });
});

describe("style sheets", () => {
  it("say which attributes their selectors ask about", () => {
    expect(
      attributesAskedFor([
        "a[href^='http'] b",
        "[DATA-mode=dark] p:not([svg|lang])",
        "p > i",
        '[ type = "x" ]',
      ]),
    ).toEqual(["data-mode", "href", "lang", "type"]);
  });

  it("say where fonts come from", () => {
    const source = `local("A"), url("a.woff2") format("woff2"), url('/b b.woff'), url( c.ttf ), url(data:font/ttf;base64,AA)`;
    expect(addressesIn(source, "https://a.example/css/type.css")).toEqual([
      "https://a.example/css/a.woff2",
      "https://a.example/b%20b.woff",
      "https://a.example/css/c.ttf",
    ]);
    expect(addressesIn("url(//[)", "https://a.example/")).toEqual([]);
    expect(plainName(' "Harrow Sans" ')).toBe("harrow sans");
    expect(plainName("'Harrow'")).toBe("harrow");
  });
});

describe("the address of a page", () => {
  const location = new URL("https://a.example/board?user=ilse#top");

  it("is told without what stands behind its path, unless texts are kept", () => {
    expect(addressOf(location, false)).toBe("https://a.example/board");
    expect(addressOf(location, true)).toBe("https://a.example/board?user=ilse");
  });
});

describe("a reading", () => {
  beforeEach(() => {
    // jsdom neither lays out nor loads fonts.
    Element.prototype.checkVisibility = () => true;
    Object.defineProperty(document, "fonts", {
      configurable: true,
      value: Object.assign(new Set([{ family: '"Scripted"' }]), { ready: Promise.resolve() }),
    });
  });

  it("does not tell a font as missing that the page shows and may not ask for again", async () => {
    const entries: Partial<PerformanceResourceTiming>[] = [
      { name: "https://cdn.example/shown.woff2", responseStatus: 200 },
      { name: "https://cdn.example/failed.woff2", responseStatus: 0 },
    ];
    vi.spyOn(window.performance, "getEntriesByType").mockReturnValue(entries as PerformanceEntryList);
    network.use(http.get("https://cdn.example/:file", () => HttpResponse.error()));
    const { reading } = await collect(document, false);
    vi.restoreAllMocks();
    expect(reading.files.map(({ address, status }) => [address, status])).toEqual([
      ["https://cdn.example/failed.woff2", 0],
    ]);
  });

  it("has nothing of the page’s addresses behind their paths, unless texts are kept", async () => {
    const { pathname } = window.location;
    window.history.replaceState(null, "", "/board?user=ilse#top");
    document.head.innerHTML = '<base href="https://cdn.example/files/?of=ilse">';
    document.body.innerHTML = "<p>Hello</p>";
    const inside = (await collect(document, false)).reading;
    const whole = (await collect(document, true)).reading;
    document.documentElement.innerHTML = "";
    window.history.replaceState(null, "", pathname);
    expect(JSON.stringify(inside)).not.toMatch(/ilse|#top/);
    expect(inside).toMatchObject({
      page: `${window.location.origin}/board`,
      base: "https://cdn.example/files/",
      title: "",
      textKept: false,
      scriptFamilies: ["scripted"],
    });
    expect(whole.page).toMatch(/\/board\?user=ilse$/);
  });
});

describe("the elements of a page", () => {
  beforeEach(() => {
    // jsdom lays nothing out.
    Element.prototype.checkVisibility = function (this: Element) {
      return this.closest("[hidden]") === null;
    };
  });

  afterEach(() => {
    document.documentElement.innerHTML = "";
    document.documentElement.removeAttribute("class");
  });

  function read(body: string, asked: string[] = [], keeps = false) {
    document.body.innerHTML = body;
    return elementsOf(document, asked, keeps);
  }

  it("are taken down with the attributes that type hangs on, and no others", () => {
    document.documentElement.className = "dark";
    const { document: xml, texts } = read(
      `<a id="x" href="https://a.example/secret" onclick="f()" data-user="ilse" title="Ilse" class="big red"
          style="font-weight: 700; background: url(x.png); --face: Harrow; color: red">Hello</a>`,
      ["href", "title"],
    );
    expect(xml).toContain(
      '<a class="big red" id="x" href="" title="" style="font-weight: 700; --face: Harrow" data-unciala-style="0">Helo</a>',
    );
    expect(xml).toMatch(/^<html class="dark"><head\/><body>/);
    expect(xml).not.toMatch(/secret|ilse/i);
    expect(texts).toBe(1);
  });

  it("keep their texts only if the person says so", () => {
    expect(read("<p>Dear Ilse</p>", [], true).document).toContain(">Dear Ilse</p>");
    expect(read("<p>Dear Ilse</p>").document).toContain(">DIaelrs</p>");
  });

  it("have what is typed into them left out, and what is written on buttons not", () => {
    const { document: xml, texts } = read(
      `<input value="typed"><input type="password" value="pw"><textarea>letter</textarea><select><option>Mine</select>
       <input type="submit" value="Send"><input placeholder="Search" value=""><input type="submit" hidden value="No">`,
      ["value", "placeholder"],
    );
    expect(xml).not.toMatch(/typed|pw|letter|Mine|No/);
    expect(xml).toContain('value="Sden"');
    expect(xml).toContain('placeholder="Sacehr"');
    expect(texts).toBe(2);
  });

  it("are those that are shown: no scripts, no texts that are hidden, not the reader itself", () => {
    const { document: xml } = read(
      `<script>secret()</script><p hidden>hidden</p><svg><text>drawn</text></svg><${ownElement}>own</${ownElement}>`,
    );
    expect(xml).toContain("<script/>");
    expect(xml).toContain('<p hidden=""/>');
    expect(xml).not.toMatch(/secret|>hidden|drawn|own/);
  });

  it("are those of shadow trees, with what their slots are given", () => {
    document.body.innerHTML = "<my-card>light</my-card><odd-one></odd-one>";
    const card = document.querySelector("my-card")!.attachShadow({ mode: "open" });
    card.innerHTML = "<h2>Dark</h2><slot>none</slot>";
    const { document: xml } = elementsOf(document, [], true);
    expect(xml).toContain(">Dark</h2>");
    expect(xml).toContain(">light</slot>");
  });

  it("share the styles that are the same", () => {
    const { styles, document: xml } = read(
      `<p style="font: italic 700 20px Harrow, serif">a</p><p>b</p><p>c</p>`,
    );
    expect(styles).toHaveLength(2);
    expect(styles[0]).toMatchObject({ weight: 700, slope: "italic", size: 20 });
    expect(xml.split(`${styleAttribute}="1"`)).toHaveLength(3);
  });

  it("have of a style attribute only what bears on type", () => {
    const { style } = document.createElement("p");
    style.cssText = "font-size: 3px !important; --image: url(secret.png); margin: 0; visibility: hidden";
    expect(typeOnly(style)).toBe("font-size: 3px !important; visibility: hidden");
  });
});

describe("files", () => {
  it("are fetched once each, with the headers that say how they are sent", async () => {
    let asked = 0;
    network.use(
      http.get("https://a.example/a.woff2", () => {
        asked += 1;
        return HttpResponse.arrayBuffer(new Uint8Array([1, 2, 3]).buffer, {
          headers: { "Content-Type": "font/woff2", "X-User": "ilse" },
        });
      }),
      http.get("https://a.example/gone.woff2", () => new HttpResponse(null, { status: 404 })),
      http.get("https://b.example/c.woff2", () => HttpResponse.error()),
    );
    const files = await filesOf(
      [
        "https://a.example/a.woff2",
        "https://a.example/gone.woff2",
        "https://a.example/a.woff2",
        "https://b.example/c.woff2",
      ],
      "https://a.example/",
    );
    expect(asked).toBe(1);
    expect(files.map(({ status }) => status)).toEqual([200, 404, 0]);
    expect(files[0]).toMatchObject({ headers: { "content-type": "font/woff2" }, base64: "AQID" });
    expect(files[2]).toMatchObject({ at: null, base64: null });
  });

  it("are left out when there would be too much of them", async () => {
    network.use(
      http.get("https://a.example/:name", () => HttpResponse.arrayBuffer(new ArrayBuffer(2_000_000))),
    );
    const names = Array.from({ length: 5 }, (_, i) => `https://a.example/${i}`);
    expect((await filesOf(names, "https://a.example/")).length).toBe(2);
    network.use(
      http.get("https://a.example/0", () => HttpResponse.arrayBuffer(new ArrayBuffer(9_000_000))),
      http.get("https://a.example/4", () => HttpResponse.arrayBuffer(new ArrayBuffer(10))),
    );
    const fitting = (await filesOf(names, "https://a.example/")).map(({ address }) => address);
    expect(fitting, "one that is too large leaves room for others").toContain("https://a.example/4");
    expect(fitting).not.toContain("https://a.example/0");
  });

  it("are asked for with the cookies of the page’s own origin, and of no other", async () => {
    const credentials: string[] = [];
    network.use(
      http.get("https://:host/f.woff2", ({ request }) => {
        credentials.push(`${new URL(request.url).host} ${request.credentials}`);
        return HttpResponse.arrayBuffer(new ArrayBuffer(1));
      }),
    );
    await filesOf(["https://a.example/f.woff2", "https://b.example/f.woff2"], "https://a.example/board");
    expect(credentials.sort()).toEqual(["a.example same-origin", "b.example omit"]);
  });

  it("are written as Base64 whatever their length", () => {
    const bytes = Uint8Array.from({ length: 70_000 }, (_, i) => i % 251);
    expect(Uint8Array.from(atob(base64(bytes)), (c) => c.charCodeAt(0))).toEqual(bytes);
  });
});

describe("sending", () => {
  const address = "http://unciala.test/api/sent-readings/k";

  it("says how it went", async () => {
    network.use(http.post(address, () => HttpResponse.json({ id: "c1" }, { status: 202 }), { once: true }));
    expect(await sent(address, "{}")).toBe(words.sent);
    network.use(
      http.post(address, () => HttpResponse.json({ detail: "There is no such key." }, { status: 404 }), {
        once: true,
      }),
    );
    expect(await sent(address, "{}")).toBe("Not accepted: There is no such key.");
    network.use(http.post(address, () => HttpResponse.error()));
    expect(await sent(address, "{}")).toBe(words.notSent);
  });
});
