import i18next from "i18next";

type Messages = Record<string, string>;

const SOURCE = "en-GB";
/** What the first page says, by its files. */
const FIRST = import.meta.glob<Messages>(
  "../../src/yardcliff/messages/en-GB/page/{api,drawing,items,racks,ui,walls,words}.po",
  { import: "default", eager: true },
);
/** What else a page says, by language and room of the page; a language says only what differs. */
const FILES = import.meta.glob<Messages>(
  [
    "../../src/yardcliff/messages/*/page/*.po",
    "!../../src/yardcliff/messages/en-GB/page/{api,drawing,items,racks,ui,walls,words}.po",
  ],
  { import: "default" },
);
const roomOf = (path: string) => path.split("/").at(-1) ?? "";
const FIRST_ROOMS = new Set(Object.keys(FIRST).map(roomOf));

/** The languages that there are catalogues of. */
export const LANGUAGES = [
  ...new Set(Object.keys(FILES).map((path) => path.split("/").at(-3) ?? SOURCE)),
].sort();
const CHOSEN = /(?:^|; )language=([\w-]+)/;
const YEAR_S = 365 * 24 * 3600;

/** The language that was chosen in this browser; none where it is as the browser asks for. */
export const languageChosen = (): string => CHOSEN.exec(document.cookie)?.[1] ?? "";

/** Has all said in another language from now on, or (none) as the browser asks for. */
export function chooseLanguage(next: string): void {
  document.cookie = `language=${next}; path=/; max-age=${next ? YEAR_S : 0}; samesite=strict`;
  location.reload();
}

/** A language as it calls itself: `British English`. */
export const nameOf = (tag: string): string =>
  new Intl.DisplayNames([tag], { type: "language" }).of(tag) ?? tag;

// The server chose, by what the browser asks for; tests have no page.
export const language = typeof document === "undefined" ? SOURCE : document.documentElement.lang;

void i18next.init({
  lng: language,
  fallbackLng: SOURCE,
  keySeparator: false,
  nsSeparator: false,
  interpolation: { prefix: "{", suffix: "}", escapeValue: false },
  initAsync: false,
  resources: {},
});

async function load(wanted: (room: string) => boolean): Promise<void> {
  await Promise.all(
    Object.entries(FILES).map(async ([path, read]) => {
      const spoken = path.split("/").at(-3) ?? SOURCE;
      if ([language, SOURCE].includes(spoken) && wanted(roomOf(path))) say(spoken, await read());
    }),
  );
}

const say = (spoken: string, messages: Messages) =>
  i18next.addResourceBundle(spoken, "translation", messages, true, true);
for (const messages of Object.values(FIRST)) say(SOURCE, messages);

/** Before the first page is drawn: modules say things as they are read. */
export const speak = () => load((room) => FIRST_ROOMS.has(room));

let rest: Promise<void> | undefined;
/** Before any other page is fetched. */
export const speakOfAll = () => (rest ??= load(() => true));

/** The message of a key, with what is given put in. One that is given `n` has plural forms. */
export function t(key: string, given: Record<string, string | number | undefined> = {}): string {
  return i18next.t(key, { ...given, ...("n" in given && { count: Number(given["n"]) }) });
}

/** What a key of a list is called: `threaded rod`, `goes on`; what no catalogue knows stands as it is. */
export function word(key: string): string {
  const asked = `word.${key.replaceAll(" ", "-")}`;
  return i18next.exists(asked) ? t(asked) : key;
}
