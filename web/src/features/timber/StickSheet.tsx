import { useState } from "react";

import { api, errorsOf } from "../../api/client";
import type { Stick, StickText, Stock } from "../../api/types";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Dialog } from "../../ui/Dialog";
import { Input } from "../../ui/Input";
import { Pick } from "../../ui/Pick";
import { TypedBefore } from "../../ui/TypedBefore";
import { useDraft } from "../../ui/useDraft";
import { t, word } from "../../messages";

interface Props {
  stick: Stick | null;
  sold: Stock["sold"];
  onKept: (stock: Stock) => void;
  onTaken: (() => void) | null;
  onClose: () => void;
}

type Form = StickText["form"];
const FORMS: NonNullable<Form>[] = ["board", "sheet", "dowel", "pipe", "bar", "threaded rod"];
const STUFFS: NonNullable<StickText["stuff"]>[] = ["softwood", "hardwood", "steel", "plastic"];
const FLAWS = ["knot", "check", "nail hole", "wane", "stain", "other"];
const ROUND = new Set<Form>(["dowel", "pipe", "bar", "threaded rod"]);
const EMPTY: StickText = {
  form: "board",
  stuff: "softwood",
  species: "",
  wide: "",
  thick: "",
  thread: "",
  long: "",
  flaws: [],
  reclaimed: false,
  note: "",
  many: 1,
};

/** A stick as measured: what it is, how long, and where its flaws are. */
export function StickSheet({ stick, sold, onKept, onTaken, onClose }: Props) {
  const [draft, setDraft, letGo, found] = useDraft(`stick ${stick?.id ?? ""}`, {
    text: stick
      ? {
          ...EMPTY,
          ...stick,
          flaws: stick.flaws.map(({ what, at, width, back }) => ({ what, at, width, back })),
        }
      : EMPTY,
    many: "1",
  });
  const { text, many } = draft;
  const [errors, setErrors] = useState<Record<string, string>>({});
  const put = (change: Partial<StickText>) =>
    setDraft((old) => ({ ...old, text: { ...old.text, ...change } }));
  const flaws = text.flaws ?? [];
  // A rod is sold by its thread: a measured 7.9 mm is M8 or 5/16 in.
  const threaded = text.form === "threaded rod";
  const threads = sold.flatMap(({ section }) => section.thread ?? []);
  const putFlaw = (index: number, change: Partial<(typeof flaws)[number]>) =>
    put({ flaws: flaws.map((flaw, k) => (k === index ? { ...flaw, ...change } : flaw)) });

  async function onKeep() {
    const count = Number(many);
    if (!Number.isInteger(count) || count < 1 || count > 100)
      return setErrors({ many: t("timber.no-number-sticks-write-1-100", { many }) });
    const { form, stuff, species, wide, thick, thread, long, reclaimed, note } = text;
    const body: StickText = {
      form,
      stuff,
      species,
      wide,
      thick,
      thread,
      long,
      reclaimed,
      note,
      flaws,
      many: count,
    };
    try {
      const kept = stick ? await api.changeStick(stick.id, body) : await api.addSticks(body);
      letGo();
      onKept(kept);
    } catch (error) {
      setErrors(errorsOf(error, ""));
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={stick ? t("timber.a-stick-on-hand") : t("timber.put-stick-on-rack")}
    >
      <div className="flex flex-col gap-1.5">
        <TypedBefore found={found} onAfresh={letGo} />
        {!stick && (
          <div className="flex items-baseline justify-between">
            <span className="text-soft">{t("timber.begin-with")}</span>
            <Pick
              label={t("timber.begin-with-2")}
              value=""
              shown="what is sold…"
              options={sold.map(({ name }) => ({ value: name, label: name }))}
              onPick={(name) => {
                const found = sold.find((one) => one.name === name);
                if (found)
                  put({ ...found.section, thread: found.section.thread ?? "", long: found.longs[0] ?? "" });
              }}
            />
          </div>
        )}
        <div className="flex items-baseline justify-between">
          <span className="text-soft">{t("timber.it-is-a")}</span>
          <Pick
            label={t("timber.form")}
            value={text.form ?? "board"}
            options={FORMS.map((form) => ({ value: form, label: word(form) }))}
            onPick={(form) => put({ form })}
          />
        </div>
        <div className="flex items-baseline justify-between">
          <span className="text-soft">{t("timber.of")}</span>
          <Pick
            label={t("timber.stuff")}
            value={text.stuff ?? "softwood"}
            options={STUFFS.map((stuff) => ({ value: stuff, label: word(stuff) }))}
            onPick={(stuff) => put({ stuff })}
          />
        </div>
        <Input
          label={t("timber.species")}
          value={text.species ?? ""}
          error={errors["species"]}
          onChange={(species) => put({ species })}
        />
        {threaded ? (
          <div className="flex flex-wrap items-baseline justify-between">
            <span className="text-soft">{t("timber.thread")}</span>
            <Pick
              label={t("timber.thread-2")}
              value={text.thread ?? ""}
              shown={text.thread || "which?"}
              options={threads.map((one) => ({ value: one, label: one }))}
              onPick={(thread) => put({ thread })}
            />
            {errors["thread"] && (
              <p role="alert" className="w-full text-right text-small text-stop">
                {errors["thread"]}
              </p>
            )}
          </div>
        ) : (
          <Input
            label={ROUND.has(text.form) ? t("timber.diameter") : t("timber.wide-really")}
            value={text.wide ?? ""}
            error={errors["wide"]}
            onChange={(wide) => put({ wide })}
          />
        )}
        {!ROUND.has(text.form) && (
          <Input
            label={t("timber.thick-really")}
            value={text.thick ?? ""}
            error={errors["thick"]}
            onChange={(thick) => put({ thick })}
          />
        )}
        <Input
          label={t("timber.long")}
          value={text.long}
          error={errors["long"]}
          onChange={(long) => put({ long })}
        />
        {!stick && (
          <Input
            label={t("timber.how-many-alike")}
            value={many}
            error={errors["many"]}
            onChange={(many) => setDraft((old) => ({ ...old, many }))}
          />
        )}
        {flaws.map((flaw, index) => (
          <div key={index} className="grid grid-cols-2 items-baseline gap-x-4 border-l-2 border-care pl-2">
            <Pick
              label={t("timber.flaw", { index: index + 1 })}
              value={flaw.what}
              options={FLAWS.map((what) => ({ value: what, label: word(what) }))}
              onPick={(what) => putFlaw(index, { what })}
            />
            <span className="flex justify-between">
              <Pick
                label={t("timber.side-of-flaw", { index: index + 1 })}
                value={flaw.back ? "back" : "through"}
                options={[
                  { value: "through", label: t("timber.it-shows") },
                  { value: "back", label: t("timber.at-the-back") },
                ]}
                onPick={(side) => putFlaw(index, { back: side === "back" })}
              />
              <Button
                look="bare"
                aria-label={t("timber.no-flaw", { index: index + 1 })}
                onClick={() => put({ flaws: flaws.filter((_, k) => k !== index) })}
              >
                ×
              </Button>
            </span>
            <Input
              label={t("timber.at")}
              value={flaw.at}
              error={errors[`flaws.${index}.at`]}
              onChange={(at) => putFlaw(index, { at })}
            />
            <Input
              label={t("timber.over")}
              value={flaw.width}
              error={errors[`flaws.${index}.width`]}
              onChange={(width) => putFlaw(index, { width })}
            />
          </div>
        ))}
        <Button
          className="self-start"
          onClick={() => put({ flaws: [...flaws, { what: "knot", at: "", width: "30 mm", back: false }] })}
        >
          {t("timber.a-flaw-to-cut-around")}
        </Button>
        <Checkbox checked={text.reclaimed ?? false} onChange={(reclaimed) => put({ reclaimed })}>
          {t("timber.reclaimed-it-may-hide-nails")}
        </Checkbox>
        <Input
          label={t("timber.note")}
          value={text.note ?? ""}
          error={errors["note"]}
          onChange={(note) => put({ note })}
        />
        {errors[""] && (
          <p role="alert" className="text-stop">
            {errors[""]}
          </p>
        )}
      </div>
      <div className="mt-3 flex gap-2">
        <Button look="act" onClick={() => onKeep()}>
          {t("timber.keep-it")}
        </Button>
        <Button
          onClick={() => {
            letGo();
            onClose();
          }}
        >
          {t("timber.cancel")}
        </Button>
        <span className="flex-1" />
        {onTaken && (
          <Button
            look="bare"
            onClick={() => {
              letGo();
              onTaken();
            }}
          >
            {t("timber.off-the-rack")}
          </Button>
        )}
      </div>
    </Dialog>
  );
}
