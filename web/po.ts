import { po } from "gettext-parser";
import type { Plugin } from "vite";

const FORMS = ["zero", "one", "two", "few", "many", "other"];

/** The forms that a language has of a count, in the order in which catalogues write them. */
function forms(language: string, written: number): string[] {
  const has = new Set<string>(
    new Intl.PluralRules(language.replace("_", "-")).resolvedOptions().pluralCategories,
  );
  const own = FORMS.filter((form) => has.has(form)).slice(0, written);
  // Whole numbers may leave one out that fractions have.
  return own.includes("other") ? own : [...own.slice(0, -1), "other"];
}

/** Gettext catalogues as modules: each message by its key, a plural's forms as `key_one`, `key_other`. */
export function catalogues(): Plugin {
  return {
    name: "catalogues",
    transform(text, id) {
      if (!id.endsWith(".po")) return null;
      const read = po.parse(text);
      const language = read.headers["Language"] ?? "en";
      const said = Object.values(read.translations[""] ?? {}).flatMap(({ msgid, msgid_plural, msgstr }) => {
        if (!msgid) return [];
        if (!msgid_plural) return [[msgid, msgstr[0]]];
        return forms(language, msgstr.length).map((form, k) => [`${msgid}_${form}`, msgstr[k]]);
      });
      return { code: `export default ${JSON.stringify(Object.fromEntries(said))}`, map: null };
    },
  };
}
