import { useRef, useState, type PointerEvent } from "react";

import type { Making, Task } from "../../api/types";
import { Button } from "../../ui/Button";
import { Asking } from "../../ui/Working";
import { Checkbox } from "../../ui/Checkbox";
import { Field } from "../../ui/Field";
import { useSession, useShown } from "../rack/shown";
import { useShortcuts } from "../rack/useShortcuts";
import { CardText } from "./Card";
import { Days } from "./Days";
import { Picture } from "./Picture";
import { reordered, useMaking, useShop } from "./useMaking";
import { t } from "../../messages";

/** The order of work: the days on top, a card for each task below, moved by its number. */
export function WorkLine({ onHelp }: { onHelp: () => void }) {
  const session = useSession();
  const making = useMaking();
  const shop = useShop();
  const [open, setOpen] = useState<string | null>(null);
  const [over, setOver] = useState<string | null>(null);
  /** What was moved and is not planned anew yet: two quick moves are two. */
  const [moved, setMoved] = useState<{ keys: string[]; from: Making } | null>(null);
  const list = useRef<HTMLOListElement>(null);
  useShortcuts({ "?": onHelp, escape: () => setOpen(null), undo: session.undo, redo: session.redo });

  function show(key: string) {
    setOpen(key);
    list.current?.querySelector(`[data-task="${CSS.escape(key)}"]`)?.scrollIntoView({ block: "nearest" });
  }
  const data = making.data;
  const tasks = data ? (moved?.from === data ? sorted(data.tasks, moved.keys) : data.tasks) : [];
  function move(key: string, before: string | null) {
    const keys = reordered(tasks, key, before);
    if (data) setMoved({ keys, from: data });
    session.apply({ making: { order: keys } });
  }

  function onDrag(key: string, start: PointerEvent) {
    if (start.button !== 0) return;
    start.preventDefault();
    const under = (event: globalThis.PointerEvent) =>
      document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>("[data-task]")?.dataset[
        "task"
      ];
    let target: string | undefined;
    const onMove = (event: globalThis.PointerEvent) => {
      target = under(event);
      setOver(target && target !== key ? target : null);
    };
    const onUp = () => {
      window.removeEventListener("pointermove", onMove);
      window.removeEventListener("pointerup", onUp);
      setOver(null);
      if (!target || target === key) return;
      const keys = tasks.map((task) => task.key);
      // Down the list it comes after what it is dropped on, up the list before.
      const down = keys.indexOf(target) > keys.indexOf(key);
      move(key, down ? (keys[keys.indexOf(target) + 1] ?? null) : target);
    };
    window.addEventListener("pointermove", onMove);
    window.addEventListener("pointerup", onUp);
  }

  return (
    <section
      aria-label={t("making.order-of-work")}
      className="min-w-0 flex-1 bg-wall px-3 pb-6 md:overflow-y-auto"
    >
      <Asking what="Putting the work in order" query={making} of={["making"]} />
      {data && (
        <>
          <Days making={data} shop={shop.data?.shop} onPick={show} />
          <ol ref={list} className="mt-2 border-t-2 border-ink">
            {tasks.map((task, index) => (
              <Card
                key={task.key}
                task={task}
                open={open === task.key}
                over={over === task.key}
                onOpen={() => setOpen(open === task.key ? null : task.key)}
                onTick={(item, done) => void making.tick(item, done)}
                onDrag={(event) => onDrag(task.key, event)}
                onEarlier={index ? () => move(task.key, tasks[index - 1]?.key ?? null) : null}
                onLater={
                  index + 1 < tasks.length ? () => move(task.key, tasks[index + 2]?.key ?? null) : null
                }
              />
            ))}
          </ol>
        </>
      )}
    </section>
  );
}

const sorted = (tasks: Task[], keys: string[]) =>
  [...tasks].sort((a, b) => keys.indexOf(a.key) - keys.indexOf(b.key));

interface CardProps {
  task: Task;
  open: boolean;
  over: boolean;
  onOpen: () => void;
  onTick: (item: string, done: boolean) => void;
  onDrag: (event: PointerEvent) => void;
  onEarlier: (() => void) | null;
  onLater: (() => void) | null;
}

function Card({ task, open, over, onOpen, onTick, onDrag, onEarlier, onLater }: CardProps) {
  const scene = useShown((shown) => shown.rack.design.scene);
  const first = task.stints[0];
  return (
    <li
      data-task={task.key}
      className={`border-b border-rule ${over ? "bg-note-bg outline-2 outline-act" : ""}`}
    >
      <div className="flex items-baseline gap-2 py-1">
        <span
          aria-hidden
          onPointerDown={onDrag}
          title={t("making.drag-another-place-in-order")}
          className="hand w-7 shrink-0 cursor-grab touch-none text-right text-lead font-semibold text-soft select-none"
        >
          {task.number}
        </span>
        <Checkbox
          label={t("making.done", { title: task.title })}
          checked={task.done !== null}
          onChange={(on) => onTick(task.key, on)}
        />
        <button
          type="button"
          aria-expanded={open}
          onClick={onOpen}
          className={`min-h-7 min-w-0 flex-1 text-left pointer-coarse:min-h-touch ${task.done ? "text-soft line-through" : "font-semibold"}`}
        >
          {task.title}
        </button>
        <span className="hand shrink-0 text-right text-small text-soft">
          {!task.done && first && (
            <span className="max-sm:hidden">
              {first.day}, {first.hours.split(" to ")[0]}
            </span>
          )}
          <span className="inline-block w-20 text-ink">{task.takes}</span>
          <span className="inline-block w-24 max-sm:block">
            {task.waits && t("making.then", { waits: task.waits })}
          </span>
        </span>
      </div>
      {open && (
        <div className="pr-2 pb-3 pl-9">
          {task.before.length > 0 && (
            <ul aria-label={t("making.why-here")} className="mb-1.5 text-plain text-soft italic">
              {task.before.map(({ key, title, why }) => (
                <li key={key}>{t("making.after-2", { title, why })}</li>
              ))}
            </ul>
          )}
          <CardText task={task} onTick={onTick} picture={<Picture task={task} scene={scene} />} />
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <OwnMinutes task={task} />
            <span className="flex-1" />
            <Button look="bare" disabled={!onEarlier} onClick={() => onEarlier?.()}>
              {t("making.earlier")}
            </Button>
            <Button look="bare" disabled={!onLater} onClick={() => onLater?.()}>
              {t("making.later")}
            </Button>
          </div>
        </div>
      )}
    </li>
  );
}

/** How long it takes this user: typed, or as it is reckoned where it is cleared. */
function OwnMinutes({ task }: { task: Task }) {
  const { change } = useSession();
  return (
    <Field
      name={`takes.${task.key}`}
      label={t("making.takes-me")}
      className="w-44"
      value={task.takes}
      onCommit={(text) => change({ making: { minutes: { [task.key]: text || null } } })}
    />
  );
}
