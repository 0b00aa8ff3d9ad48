import { po } from "gettext-parser";
import type { Plugin } from "vite";

const FORMS = ["zero", "one", "two", "few", "many", "other"];

/** The forms that a language has of a count, in the order in which its catalogues write them. */
export function forms(language: string): string[] {
  const rules = new Intl.PluralRules(language.replace("_", "-"));
  const used = new Set<string>(Array.from({ length: 201 }, (_, count) => rules.select(count)));
  return FORMS.filter((form) => used.has(form));
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
        return forms(language).map((form, k) => [`${msgid}_${form}`, msgstr[k]]);
      });
      return { code: `export default ${JSON.stringify(Object.fromEntries(said))}`, map: null };
    },
  };
}
