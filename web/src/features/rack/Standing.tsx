import { Button } from "../../ui/Button";
import { useSay } from "../../ui/Toasts";
import { useSession, useShown } from "./shown";
import { t } from "../../messages";

/** What stands between the user and a saved rack, with the ways on. Nothing is lost meanwhile. */
export function Standing({ onCopied }: { onCopied: (id: string) => void }) {
  const session = useSession();
  const standing = useShown((shown) => shown.standing);
  const waiting = useShown((shown) => shown.waiting);
  const trouble = useShown((shown) => shown.trouble);
  const say = useSay();
  if (standing === "stale")
    return (
      <Banner
        text={t("rack.this-rack-was-changed-in-another", {
          what: waiting ? t("rack.with-all-you-changed-in-kept") : "",
        })}
      >
        <Button onClick={() => session.takeNewer()}>{t("rack.take-the-newer")}</Button>
        <Button
          onClick={() =>
            session.keepMine().then((copy) => {
              say(t("rack.kept-as", { name: copy.name }));
              onCopied(copy.id);
            })
          }
        >
          {t("rack.keep-mine-as-a-copy")}
        </Button>
      </Banner>
    );
  if (standing === "offline")
    return (
      <Banner
        text={t("rack.yardcliff-does-not-answer-here-until", {
          what:
            waiting === 1
              ? t("rack.a-change-waits")
              : waiting
                ? t("rack.changes-wait", { waiting })
                : t("rack.what-you-change-waits"),
        })}
      />
    );
  if (trouble)
    return (
      <Banner text={trouble}>
        <Button onClick={session.dismiss}>{t("rack.close-2")}</Button>
      </Banner>
    );
  return null;
}

function Banner({ text, children }: { text: string; children?: React.ReactNode }) {
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-b border-care bg-care-bg px-3 py-1.5 text-care"
    >
      <span className="flex-1">{text}</span>
      {children}
    </div>
  );
}
