import { Button } from "../../ui/Button";
import { useSay } from "../../ui/Toasts";
import { useSession, useShown } from "./shown";

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
        text={`This rack was changed in another window. Yours shows an older state${
          waiting ? ", with all that you changed in it: that is kept here until you choose" : ""
        }.`}
      >
        <Button onClick={() => session.takeNewer()}>Take the newer</Button>
        <Button
          onClick={() =>
            session.keepMine().then((copy) => {
              say(`Kept as “${copy.name}”.`);
              onCopied(copy.id);
            })
          }
        >
          Keep mine as a copy
        </Button>
      </Banner>
    );
  if (standing === "offline")
    return (
      <Banner
        text={`Yardcliff does not answer. ${
          waiting === 1 ? "A change waits" : waiting ? `${waiting} changes wait` : "What you change waits"
        } here until it does, also over a reload.`}
      />
    );
  if (trouble)
    return (
      <Banner text={trouble}>
        <Button onClick={session.dismiss}>Close</Button>
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
