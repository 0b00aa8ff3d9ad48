import { timberUrl } from "../../api/client";
import type { Timber } from "../../api/types";
import { Section } from "../rack/Section";
import { useShown } from "../rack/shown";
import { Files } from "./Files";
import { Lines } from "./Lines";
import { t } from "../../messages";

/** What is to be bought for it, beside what it is cut from. */
export function Shopping({ timber }: { timber: Timber }) {
  const id = useShown((shown) => shown.rack.id);
  return (
    <div className="mt-5 border border-ink bg-sheet">
      <Section title={t("timber.to-buy")} aside={<Files url={(kind) => timberUrl(id, kind)} />}>
        <Lines lines={timber.lines} />
        {timber.currency && (
          <p className="hand flex justify-between border-t border-ink pt-1 text-body font-semibold">
            <span>{t("timber.in-all")}</span>
            <span>{timber.total}</span>
          </p>
        )}
      </Section>
    </div>
  );
}
