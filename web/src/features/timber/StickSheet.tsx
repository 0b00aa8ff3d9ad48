import { useState } from "react";

import { api, errorsOf } from "../../api/client";
import type { Stick, StickText, Stock } from "../../api/types";
import { Button } from "../../ui/Button";
import { Checkbox } from "../../ui/Checkbox";
import { Dialog } from "../../ui/Dialog";
import { Input } from "../../ui/Input";
import { Pick } from "../../ui/Pick";

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
  const [text, setText] = useState<StickText>(
    stick
      ? {
          ...EMPTY,
          ...stick,
          flaws: stick.flaws.map(({ what, at, width, back }) => ({ what, at, width, back })),
        }
      : EMPTY,
  );
  const [many, setMany] = useState("1");
  const [errors, setErrors] = useState<Record<string, string>>({});
  const put = (change: Partial<StickText>) => setText((old) => ({ ...old, ...change }));
  const flaws = text.flaws ?? [];
  // A rod is sold by its thread: a measured 7.9 mm is M8 or 5/16 in.
  const threaded = text.form === "threaded rod";
  const threads = sold.flatMap(({ section }) => section.thread ?? []);
  const putFlaw = (index: number, change: Partial<(typeof flaws)[number]>) =>
    put({ flaws: flaws.map((flaw, k) => (k === index ? { ...flaw, ...change } : flaw)) });

  async function onKeep() {
    const count = Number(many);
    if (!Number.isInteger(count) || count < 1 || count > 100)
      return setErrors({ many: `“${many}” is no number of sticks: write 1 to 100.` });
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
      onKept(stick ? await api.changeStick(stick.id, body) : await api.addSticks(body));
    } catch (error) {
      setErrors(errorsOf(error, ""));
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={stick ? "A stick on hand" : "Put a stick on the rack"}
    >
      <div className="flex flex-col gap-1.5">
        {!stick && (
          <div className="flex items-baseline justify-between">
            <span className="text-soft">begin with</span>
            <Pick
              label="Begin with"
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
          <span className="text-soft">it is a</span>
          <Pick
            label="Form"
            value={text.form ?? "board"}
            options={FORMS.map((form) => ({ value: form, label: form }))}
            onPick={(form) => put({ form })}
          />
        </div>
        <div className="flex items-baseline justify-between">
          <span className="text-soft">of</span>
          <Pick
            label="Stuff"
            value={text.stuff ?? "softwood"}
            options={STUFFS.map((stuff) => ({ value: stuff, label: stuff }))}
            onPick={(stuff) => put({ stuff })}
          />
        </div>
        <Input
          label="species"
          value={text.species ?? ""}
          error={errors["species"]}
          onChange={(species) => put({ species })}
        />
        {threaded ? (
          <div className="flex flex-wrap items-baseline justify-between">
            <span className="text-soft">thread</span>
            <Pick
              label="Thread"
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
            label={ROUND.has(text.form) ? "diameter" : "wide, really"}
            value={text.wide ?? ""}
            error={errors["wide"]}
            onChange={(wide) => put({ wide })}
          />
        )}
        {!ROUND.has(text.form) && (
          <Input
            label="thick, really"
            value={text.thick ?? ""}
            error={errors["thick"]}
            onChange={(thick) => put({ thick })}
          />
        )}
        <Input label="long" value={text.long} error={errors["long"]} onChange={(long) => put({ long })} />
        {!stick && <Input label="how many alike" value={many} error={errors["many"]} onChange={setMany} />}
        {flaws.map((flaw, index) => (
          <div key={index} className="grid grid-cols-2 items-baseline gap-x-4 border-l-2 border-care pl-2">
            <Pick
              label={`Flaw ${index + 1}`}
              value={flaw.what}
              options={FLAWS.map((what) => ({ value: what, label: what }))}
              onPick={(what) => putFlaw(index, { what })}
            />
            <span className="flex justify-between">
              <Pick
                label={`Side of flaw ${index + 1}`}
                value={flaw.back ? "back" : "through"}
                options={[
                  { value: "through", label: "it shows" },
                  { value: "back", label: "at the back" },
                ]}
                onPick={(side) => putFlaw(index, { back: side === "back" })}
              />
              <Button
                look="bare"
                aria-label={`No flaw ${index + 1}`}
                onClick={() => put({ flaws: flaws.filter((_, k) => k !== index) })}
              >
                ×
              </Button>
            </span>
            <Input
              label="at"
              value={flaw.at}
              error={errors[`flaws.${index}.at`]}
              onChange={(at) => putFlaw(index, { at })}
            />
            <Input
              label="over"
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
          A flaw to cut around
        </Button>
        <Checkbox checked={text.reclaimed ?? false} onChange={(reclaimed) => put({ reclaimed })}>
          reclaimed: it may hide nails
        </Checkbox>
        <Input
          label="note"
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
          Keep it
        </Button>
        <Button onClick={onClose}>Leave it</Button>
        <span className="flex-1" />
        {onTaken && (
          <Button look="bare" onClick={onTaken}>
            Off the rack
          </Button>
        )}
      </div>
    </Dialog>
  );
}
