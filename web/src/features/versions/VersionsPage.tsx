import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate, useParams } from "react-router";

import { api, ProblemError, reasonOf } from "../../api/client";
import type { Version } from "../../api/types";
import { PageHead } from "../../ui/PageHead";
import { Button, told } from "../../ui/Button";
import { Input } from "../../ui/Input";
import { NotFound } from "../../ui/NotFound";
import { RackDrawing } from "../../ui/RackDrawing";
import { ThemeButton } from "../../ui/ThemeButton";
import { useSay } from "../../ui/Toasts";
import { Comparison } from "./Comparison";
import { useDraft } from "../../ui/useDraft";
import { t } from "../../messages";

const NOW = "now";
const MOST = 3;
const WIDEST = 380;
const TALLEST = 240;

/** The versions of one rack: keep one, lay two or three side by side at one scale, come back to one. */
export function VersionsPage() {
  const { id = "" } = useParams();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const say = useSay();
  const rack = useQuery({ queryKey: ["rack", id], queryFn: () => api.rack(id), staleTime: Infinity });
  const versions = useQuery({ queryKey: ["versions", id], queryFn: () => api.versions(id), staleTime: 0 });
  const [picked, setPicked] = useState<string[] | null>(null);
  const [name, setName, letGo] = useDraft(`${id} version`, "");
  const fail = (error: unknown) => say(reasonOf(error));
  const refresh = () => void queries.invalidateQueries({ queryKey: ["versions", id] });

  const keep = useMutation({
    mutationFn: () => api.keepVersion(id, name),
    onSuccess: () => {
      say(t("versions.kept-as", { name }));
      letGo();
      refresh();
    },
  });
  const forget = useMutation({
    mutationFn: (version: Version) => api.forgetVersion(id, version.id),
    onSuccess: (_, version) => {
      setPicked(null);
      refresh();
      say(t("versions.is-let-go", { name: version.name }), {
        label: t("versions.undo"),
        run: () => void api.restoreVersion(id, version.id).then(refresh, fail),
      });
    },
    onError: fail,
  });
  const take = useMutation({
    mutationFn: (version: Version) => api.takeVersion(id, version.id, rack.data?.version ?? 0),
    onSuccess: (next) => {
      queries.setQueryData(["rack", id], next);
      void navigate(`/racks/${id}`);
      say(t("versions.rack-what-version-was-undo-brings"));
    },
    onError: fail,
  });

  const error = rack.error ?? versions.error;
  if (error instanceof ProblemError && error.problem.status === 404) return <NotFound text={error.message} />;
  const all = versions.data ?? [];
  // Until something is picked: what is now, and the newest before it.
  const chosen = (picked ?? all.slice(0, 2).map((version) => version.id)).filter((one) =>
    all.some((version) => version.id === one),
  );
  const shown = all.filter((version) => chosen.includes(version.id));
  const scale = Math.min(
    ...all.map(({ scene: { extent } }) =>
      Math.min(WIDEST / (extent.x1 - extent.x0), TALLEST / (extent.y1 - extent.y0)),
    ),
  );
  function toggle(one: string) {
    setPicked(
      chosen.includes(one) ? chosen.filter((other) => other !== one) : [...chosen.slice(-MOST + 1), one],
    );
  }
  function onKeep(event: FormEvent) {
    event.preventDefault();
    keep.mutate();
  }

  return (
    <div className="mx-auto max-w-[84rem] px-5 pb-16">
      <title>{t("versions.versions-of-yardcliff", { name: rack.data?.name ?? t("versions.a-rack") })}</title>
      <PageHead
        title={t("versions.versions")}
        back={{ to: `/racks/${id}`, label: rack.data?.name ?? t("versions.rack") }}
      >
        <form className="flex items-start gap-2" onSubmit={onKeep}>
          <Input
            label={t("versions.keep-it-as")}
            value={name}
            error={keep.error?.message}
            onChange={setName}
          />
          <Button type="submit" look="act" disabled={keep.isPending}>
            {t("versions.keep")}
          </Button>
        </form>
        <ThemeButton />
      </PageHead>
      <main id="main" tabIndex={-1}>
        {error && (
          <p role="alert" className="my-6 border border-care bg-care-bg p-3 text-care">
            {error.message} <Button onClick={() => versions.refetch()}>{t("versions.try-again")}</Button>
          </p>
        )}
        {all.length === 1 && <p className="py-6 text-soft">{t("versions.no-version-kept-yet-give-rack")}</p>}
        <div className="mt-4 flex flex-wrap gap-2" role="group" aria-label={t("versions.side-by-side")}>
          {all.map((version) => (
            <Button
              key={version.id}
              aria-pressed={chosen.includes(version.id)}
              className="aria-pressed:border-act aria-pressed:bg-act aria-pressed:text-on-act"
              onClick={() => toggle(version.id)}
            >
              {version.name}
            </Button>
          ))}
        </div>
        <div className="mt-4 grid gap-x-6 md:grid-flow-col md:auto-cols-fr">
          {shown.map((version) => (
            <section
              key={version.id}
              aria-label={version.name}
              className="flex flex-col border-t border-ink pt-2"
            >
              <h2 className="text-lead">{version.name}</h2>
              <p className="text-plain text-soft">{version.says}</p>
              <div className="flex flex-1 items-start justify-center py-4">
                <RackDrawing scene={version.scene} scale={scale} />
              </div>
              {version.id !== NOW && (
                <div className="flex gap-2">
                  <Button disabled={take.isPending} onClick={() => take.mutateAsync(version).catch(told)}>
                    {t("versions.go-back-to-this")}
                  </Button>
                  <Button look="bare" onClick={() => forget.mutateAsync(version).catch(told)}>
                    {t("versions.let-it-go")}
                  </Button>
                </div>
              )}
            </section>
          ))}
        </div>
        {shown.length > 1 && <Comparison rackId={id} versions={shown} />}
      </main>
    </div>
  );
}
