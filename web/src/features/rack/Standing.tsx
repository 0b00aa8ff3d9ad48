import { Button } from "../../ui/Button";
import { useSay } from "../../ui/Toasts";
import type { Session } from "./session";

interface Props {
  session: Session;
  onCopied: (id: string) => void;
}

/** What stands between the user and a saved rack, with the ways on. Nothing is lost meanwhile. */
export function Standing({ session, onCopied }: Props) {
  const say = useSay();
  if (session.standing === "stale")
    return (
      <Banner text="This rack was changed in another window. Yours shows an older state.">
        <Button onClick={session.takeNewer}>Take the newer</Button>
        <Button
          onClick={() =>
            void session.keepMine().then((copy) => {
              say(`Kept as “${copy.name}”.`);
              onCopied(copy.id);
            })
          }
        >
          Keep mine as a copy
        </Button>
      </Banner>
    );
  if (session.standing === "offline")
    return (
      <Banner text="Yardcliff does not answer. Your last change waits here and is stored once it is back." />
    );
  if (session.trouble)
    return (
      <Banner text={session.trouble}>
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
