import { useMaking } from "../making/useMaking";
import { StickDrawing } from "./StickDrawing";
import { t } from "../../messages";

/** What is cut already, as it was sawn: the sticks of the cards that are done. */
export function AsSawn({ room }: { room: number }) {
  const { data } = useMaking();
  const done = (data?.tasks ?? []).flatMap(({ key, title, done, picture }) =>
    done !== null && picture?.kind === "cuts" ? [{ key, title, sticks: picture.sticks }] : [],
  );
  const longest = Math.max(600, ...done.flatMap(({ sticks }) => sticks.map((stick) => stick.long_mm)));
  return done.map(({ key, title, sticks }) => (
    <section key={key} aria-label={t("timber.done", { title })} className="pt-3">
      <h2 className="border-b border-rule text-body text-soft">
        {title}: <span className="font-semibold text-ink">{t("timber.done-2")}</span>
      </h2>
      {sticks.map((stick, index) => (
        <div key={index} className="py-1.5">
          <StickDrawing stick={stick} scale={room / longest} />
        </div>
      ))}
    </section>
  ));
}
