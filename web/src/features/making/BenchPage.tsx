import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { Link, useParams, useSearchParams } from "react-router";

import { api, wallTime } from "../../api/client";
import type { Making, Scene, Task } from "../../api/types";
import { Button } from "../../ui/Button";
import { Measure } from "../../ui/Measure";
import { NotFound } from "../../ui/NotFound";
import { ThemeButton } from "../../ui/ThemeButton";
import { useShortcuts } from "../rack/useShortcuts";
import { CardText } from "./Card";
import { Clock } from "./Clock";
import type { Held, Refused } from "./outbox";
import { Picture } from "./Picture";
import { Timers } from "./Timers";
import { useMakingOf } from "./useMaking";
import { useReader } from "./useReader";
import { useWake } from "./useWake";
import { t } from "../../messages";

/** A line with more letters is set smaller. */
const LONG = 40;
/** How often it looks whether anything happened elsewhere. */
const LOOK_MS = 1000;
/** A rack is drawn so tall, px: it is looked at from a step away. */
const TALL = 400;
const BIG = "min-h-14 flex-1 text-lead";

/** One step at a time, large: the next mark or cut, ticked off; it goes on while the link is down. */
export function BenchPage() {
  const { id = "" } = useParams();
  const newest = useQuery({
    queryKey: ["version", id],
    queryFn: () => api.version(id),
    retry: false,
    refetchInterval: LOOK_MS,
  });
  const state = newest.data ? `${newest.data.version} ${newest.data.site} ${newest.data.facts}` : "";
  const rack = useQuery({ queryKey: ["bench", id], queryFn: () => api.rack(id), retry: false });
  const { refetch } = rack;
  useEffect(() => void refetch(), [refetch, state]);
  const making = useMakingOf(id, state, state !== "");
  useWake();
  if (rack.error && !making.data) return <NotFound text={rack.error.message} />;
  if (!making.data || !rack.data)
    return (
      <p role="status" className="p-8 text-soft">
        {t("making.laying-the-bench-out")}
      </p>
    );
  return (
    <Bench
      id={id}
      name={rack.data.name}
      scene={rack.data.design.scene}
      making={making.data}
      held={making.held}
      onLetGo={making.letGo}
      onTick={(item, done) => void making.tick(item, done)}
    />
  );
}

const WHY = {
  away: t("making.yardcliff-does-not-answer"),
  server: t("making.yardcliff-is-in-trouble"),
  key: t("making.wants-new-key-of-this-phone"),
};

/** Why ticks wait, and those that were not taken: none is thrown away unseen. */
function Unsent({ id, held, making, onLetGo }: Pick<Props, "id" | "held" | "making" | "onLetGo">) {
  const { waiting, refused, trouble } = held;
  if (!refused.length && (!trouble || !waiting.length)) return null;
  const named = (item: string) => making.tasks.find(({ key }) => item.startsWith(key))?.title ?? item;
  return (
    <div role="alert" className="border-b border-care bg-care-bg px-3 py-2 text-plain text-care">
      {trouble && waiting.length > 0 && (
        <p>
          {t("making.what-you-tick-waits-here-sent", { WHY: WHY[trouble] })}{" "}
          {trouble === "key" && (
            <a className="underline" href={`/phone?to=/racks/${id}/bench`}>
              {t("making.give-the-key")}
            </a>
          )}
        </p>
      )}
      {refused.map((one) => (
        <p key={one.said.id} className="flex items-center gap-2">
          <span className="flex-1">
            {t("making.not-taken", { named: named(one.said.item), why: one.why })}
          </span>
          <Button onClick={() => onLetGo(one)}>{t("making.let-it-go")}</Button>
        </p>
      ))}
    </div>
  );
}

/** What is done after a task: the next one that all is done for, else the first that is open. */
export function nextOf(tasks: Task[], at: number): number {
  const open = new Set(
    tasks.filter((task, index) => task.done === null && index !== at).map(({ key }) => key),
  );
  const ready = (task: Task) => open.has(task.key) && !task.before.some(({ key }) => open.has(key));
  const next = tasks.findIndex((task, index) => index > at && ready(task));
  return next >= 0 ? next : tasks.findIndex(ready);
}

interface Props {
  id: string;
  name: string;
  scene: Scene;
  making: Making;
  held: Held;
  onLetGo: (refused: Refused) => void;
  onTick: (item: string, done: boolean) => void;
}

function Bench({ id, name, scene, making, held, onLetGo, onTick }: Props) {
  const [search, setSearch] = useSearchParams();
  const { tasks } = making;
  const key = search.get("step") ?? tasks.find((task) => task.done === null)?.key;
  const at = Math.max(
    tasks.findIndex((task) => task.key === key),
    0,
  );
  const task = tasks[at];
  const show = (next: number) => {
    const to = tasks[next];
    if (to) setSearch({ step: to.key }, { replace: true, flushSync: true }); // two quick presses are two
  };
  const planned = task?.lines.filter((one) => !one.gone) ?? [];
  const line = planned.find((one) => !one.done);
  const now = wallTime();
  const open = tasks.filter(({ key, done }) => done === null && task?.before.some((one) => one.key === key));
  const waits = task?.before.filter(({ until }) => until !== null && until > now) ?? [];

  function done() {
    if (line) onTick(line.item, true);
    else if (task && !task.done) finish(task);
  }
  function finish(one: Task) {
    onTick(one.key, true);
    show(nextOf(tasks, at));
  }
  useShortcuts({ arrowright: () => show(at + 1), arrowleft: () => show(at - 1), enter: done, " ": done });
  const reader = useReader(line?.text ?? task?.title ?? "");
  if (!task) return null;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <title>{t("making.bench-yardcliff", { name })}</title>
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-ink bg-sheet px-3 py-2">
        <Link to={`/racks/${id}/making`} className="act-link">
          {t("making.making")}
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-lead">{name}</h1>
        {held.waiting.length > 0 && (
          <span role="status" className="text-small font-semibold text-care">
            {t("making.not-sent-yet", { count: held.waiting.length })}
          </span>
        )}
        {reader && (
          <Button look="bare" aria-pressed={reader.on} onClick={reader.toggle}>
            {reader.on ? t("making.reading-out") : t("making.read-out")}
          </Button>
        )}
        <ThemeButton />
      </header>
      <Unsent id={id} held={held} making={making} onLetGo={onLetGo} />
      <Timers making={making} onTick={onTick} />
      <div className="flex min-h-0 flex-1">
        <AllSteps tasks={tasks} at={at} onShow={show} />
        <div className="flex min-w-0 flex-1 flex-col lg:overflow-y-auto">
          <main id="main" tabIndex={-1} className="w-full max-w-5xl flex-1 px-3 pt-3 pb-4 lg:px-8">
            <div className="flex items-center gap-3">
              <p className="hand flex-1 text-soft">
                {t("making.step-of", { number: task.number, count: tasks.length })}
                <span className="pl-3">{task.takes}</span>
                {task.waits && <span className="pl-3">{t("making.then", { waits: task.waits })}</span>}
              </p>
              <Clock since={making.clock} onTick={onTick} />
            </div>
            <h2 className={`text-head leading-tight ${task.done ? "text-soft line-through" : ""}`}>
              {task.title}
            </h2>
            {line && (
              <p aria-live="polite" className="mt-3 border-y-2 border-mark py-3">
                <span className="block text-plain text-soft">
                  {t("making.next-of", {
                    count: planned.filter((one) => one.done).length + 1,
                    count2: planned.length,
                  })}
                </span>
                <span
                  className={`hand block leading-tight font-semibold ${line.text.length > LONG ? "text-title" : "text-display"}`}
                >
                  <Measure text={line.text} />
                </span>
              </p>
            )}
            {open.length > 0 && !task.done && (
              <p className="mt-3 border-l-4 border-care bg-care-bg py-1 pr-2 pl-2.5">
                {t("making.not-done-yet-comes-first")}{" "}
                {open.map((one) => (
                  <Button key={one.key} className="my-0.5 mr-1" onClick={() => show(tasks.indexOf(one))}>
                    {one.title}
                  </Button>
                ))}
              </p>
            )}
            {waits.length > 0 && !task.done && (
              <ul
                aria-label={t("making.wait-first")}
                className="mt-3 border-l-4 border-care bg-care-bg py-1 pr-2 pl-2.5"
              >
                {waits.map((one) => (
                  <li key={one.key}>
                    <strong className="font-semibold">
                      {t("making.wait-until", { until_says: one.until_says })}
                    </strong>
                    {t("making.after", { title: one.title, why: one.why })}
                  </li>
                ))}
              </ul>
            )}
            <Picture task={task} scene={scene} tall={TALL} always />
            <div className="mt-3 text-lead">
              <CardText task={task} onTick={onTick} short={line !== undefined} />
            </div>
          </main>
          <footer className="sticky bottom-0 flex gap-2 border-t-2 border-ink bg-sheet p-3">
            <Button className={BIG} disabled={at === 0} onClick={() => show(at - 1)}>
              {t("making.back")}
            </Button>
            {task.done ? (
              <Button className={BIG} onClick={() => onTick(task.key, false)}>
                {t("making.not-done-yet")}
              </Button>
            ) : (
              <Button look={waits.length ? "plain" : "act"} className={`${BIG} grow-[2]`} onClick={done}>
                {waits.length
                  ? t("making.done-all-the-same")
                  : line
                    ? t("making.done-next")
                    : t("making.step-is-done")}
              </Button>
            )}
            <Button className={BIG} disabled={at + 1 === tasks.length} onClick={() => show(at + 1)}>
              {t("making.skip")}
            </Button>
          </footer>
        </div>
      </div>
    </div>
  );
}

/** Where among all steps one is, beside the one in hand: where there is room for it. */
function AllSteps({ tasks, at, onShow }: { tasks: Task[]; at: number; onShow: (step: number) => void }) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => void list.current?.children[at]?.scrollIntoView({ block: "nearest" }), [at]);
  return (
    <nav
      aria-label={t("making.all-steps")}
      className="w-80 shrink-0 overflow-y-auto border-r-2 border-ink bg-sheet max-lg:hidden"
    >
      <ol ref={list}>
        {tasks.map((task, index) => (
          <li key={task.key} className="border-b border-rule">
            <button
              type="button"
              aria-current={index === at ? "step" : undefined}
              onClick={() => onShow(index)}
              className="flex w-full items-baseline gap-2 px-3 py-1.5 text-left text-plain hover:bg-note-bg aria-[current]:bg-ink aria-[current]:text-paper"
            >
              <span className="hand w-6 shrink-0 text-right">{task.done ? "✓" : task.number}</span>
              <span className={task.done ? "line-through" : ""}>
                {task.title}
                {task.done && <span className="sr-only">{t("making.is-done")}</span>}
              </span>
            </button>
          </li>
        ))}
      </ol>
    </nav>
  );
}
