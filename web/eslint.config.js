import js from "@eslint/js";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";

export default tseslint.config(
  { ignores: ["node_modules", "src/api/schema.d.ts", ".schema.d.ts"] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  reactHooks.configs.flat.recommended,
  {
    files: ["src/**/*.tsx"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: ":matches(Literal[value=/text-\\[[\\d.]/], TemplateElement[value.raw=/text-\\[[\\d.]/])",
          message: "Sizes of type are those of the scale in styles.css.",
        },
        {
          selector: "JSXAttribute[name.name='type'][value.value='checkbox']",
          message: "A box to tick is ui/Checkbox.",
        },
        {
          selector:
            "JSXText[value=/[A-Za-z]{2}/], JSXAttribute[name.name=/^(label|title|placeholder|alt|aria-label)$/] > Literal[value=/[A-Za-z]{2}/]",
          message: "What the page says stands in messages/, by its key.",
        },
      ],
    },
  },
  { files: ["src/ui/Checkbox.tsx"], rules: { "no-restricted-syntax": "off" } },
);
