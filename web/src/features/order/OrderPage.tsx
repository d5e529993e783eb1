import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { confectionQueries, occasionsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { PdfLink } from "../../ui/PdfLink";
import { Skeleton } from "../../ui/Skeleton";
import { Sure } from "../../ui/Sure";
import { momentText, spokenMinutes } from "../../units/time";
import { useOccasion } from "../occasion";
import { AtTable } from "./AtTable";
import { Printed } from "./Printed";
import { Seeking } from "./Seeking";
import { Standing } from "./Standing";
import { Thread } from "./Thread";
import { strandOf } from "./threadShape";
import { type Order, useOrder } from "./useOrder";
import { WhatIf } from "./WhatIf";
import { WishesSentence } from "./WishesSentence";

/** The running order of an occasion: what is wished, what to do when, and where it stands now. */
export function OrderPage() {
  const id = Number(useParams().id);
  const list = useQuery({ ...occasionsQuery, staleTime: 0, gcTime: 0 });
  const stored = list.data?.occasions.find((row) => row.id === id);
  if (!list.data) return <Skeleton />;
  if (!stored)
    return (
      <main className="px-5 py-4">
        <h1 className="font-display font-semibold text-3xl">There is no such occasion</h1>
        <Link to="/occasions" className="font-bold text-rim underline">
          All occasions
        </Link>
      </main>
    );
  return <Bench key={stored.id} stored={stored} />;
}

const REPLAN_MS = 900;

function Bench({ stored }: { stored: Schemas["StoredOccasion"] }) {
  const { asked, said, change, flush } = useOccasion(stored);
  const { order, error, plan, settle, happened, forget } = useOrder(stored.id);
  const [fold, setFold] = useState(true);
  const { data: confections } = useQuery(confectionQueries.list);
  const names = asked.rows.map(
    (row) => confections?.confections.find((one) => one.id === row.confection_id)?.asked.name ?? "",
  );
  const { table_c, table_h, ...wishes } = asked.wishes;
  const wished = JSON.stringify([wishes, asked.ready_at, asked.rows, asked.boxes, asked.pot_g]);
  const planned = useRef(wished);
  const hasBegun = order?.tasks.some((one) => one.state !== "ahead") ?? false;
  const firstThenBest = useRef(async () => {});
  firstThenBest.current = async () => {
    if (!hasBegun) await plan.mutateAsync("quick").catch(() => undefined);
    plan.mutate("best");
  };
  const isEmpty = order !== undefined && order.planned_at === null;
  useEffect(() => {
    if (isEmpty) firstThenBest.current();
  }, [isEmpty]);
  useEffect(() => {
    if (planned.current === wished) return;
    const later = setTimeout(async () => {
      planned.current = wished;
      await flush();
      firstThenBest.current();
    }, REPLAN_MS);
    return () => clearTimeout(later);
  }, [wished, flush]);
  if (!order && !error) return <Skeleton />;
  const follow = order && {
    order,
    occasionId: stored.id,
    isBusy: happened.isPending || plan.isPending,
    happened: happen,
  };
  function happen(task: string, what: "begun" | "done" | "undone") {
    happened.mutate({ task, what });
  }
  const cooks = asked.wishes.cooks;
  const done = order?.tasks.filter((one) => one.task.attended && one.state === "done").length ?? 0;
  const problem = plan.error ?? happened.error ?? forget.error ?? error;
  return (
    <main className="paper grid flex-1 grid-cols-[minmax(0,1fr)_372px] max-lg:grid-cols-1 print:block">
      <section aria-label="The running order" className="min-w-0 px-6 py-3 max-md:px-3">
        <p className="flex justify-between gap-3 text-[0.875rem] text-ash print:hidden">
          <Link to="/occasions" className="flex min-h-11 items-center font-bold text-rim">
            {asked.name}: what goes in
          </Link>
          {plan.isPending && plan.variables === "best" && order?.answer?.feasible && !order.is_stale ? (
            <Seeking isBusy={settle.isPending} onSettle={() => settle.mutate()} />
          ) : (
            <span role="status" className="flex items-center">
              {plan.isPending ? "Planning…" : said}
            </span>
          )}
        </p>
        <Headline order={order} isPlanning={plan.isPending} />
        <WishesSentence asked={asked} onChange={change} />
        {problem && (
          <p role="alert" className="text-copper">
            {problem.message}
          </p>
        )}
        {order?.answer && !order.answer.feasible && (
          <Refused answer={order.answer} mended={order.mended} onTake={change} />
        )}
        {order?.answer?.warnings?.map((row) => (
          <p key={row.message} className="rounded bg-butter px-2 py-1">
            {row.message}.
          </p>
        ))}
        {order && order.learned.length > 0 && (
          <p className="text-[0.9375rem] text-ash print:hidden">
            By your own times for {order.learned.slice(0, 3).join(", ")}
            {order.learned.length > 3 && ` and ${order.learned.length - 3} more`}:{" "}
            <Link to="/daybook/kitchen" className="text-rim underline">
              learned from your kitchen
            </Link>
            .
          </p>
        )}
        {done > 0 && (
          <Button look="plain" aria-pressed={!fold} className="print:hidden" onClick={() => setFold(!fold)}>
            {fold
              ? done === 1
                ? "Show the finished task"
                : `Show ${done} finished tasks`
              : "Hide finished tasks"}
          </Button>
        )}
        {follow && <Printed tasks={follow.order.tasks} cooks={cooks} />}
        {follow && follow.order.tasks.length > 0 && (
          <div
            className={`mt-2 grid gap-6 print:hidden ${cooks > 1 ? "md:grid-cols-2 print:grid-cols-2" : ""}`}
          >
            {Array.from({ length: cooks }, (_, cook) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a cook is a number
              <PartOrFailure key={cook} what="the order of work">
                <Thread
                  strand={strandOf(follow.order.tasks, cook, follow.order.answer?.ready_at ?? "", fold)}
                  name={cooks > 1 ? `Cook ${cook + 1}` : null}
                  onLeaveOut={(gone) =>
                    change({ wishes: { ...asked.wishes, dropped: [...asked.wishes.dropped, gone] } })
                  }
                  follow={follow}
                />
              </PartOrFailure>
            ))}
          </div>
        )}
        <PartOrFailure what="the list for guests">
          <AtTable asked={asked} onChange={change} />
        </PartOrFailure>
      </section>
      <aside
        aria-label="Where it stands"
        className="border-line border-l bg-sheet px-5 py-4 max-lg:order-first max-lg:border-b max-lg:border-l-0 max-md:px-3 print:hidden"
      >
        {follow && follow.order.tasks.length > 0 && <Standing follow={follow} />}
        <WhatIf asked={asked} names={names} onTake={change} />
        <p className="mt-3 flex flex-wrap gap-x-5">
          <a
            href={`/api/occasions/${stored.id}/order.ics`}
            className="flex min-h-11 items-center font-bold text-rim underline underline-offset-4"
          >
            Add to calendar
          </a>
          <PdfLink of={`/api/occasions/${stored.id}/order.pdf`}>Print the order</PdfLink>
          <Button look="plain" disabled={plan.isPending} onClick={() => plan.mutate("best")}>
            Plan the rest again
          </Button>
          <Sure
            words="Start planning again"
            goes="Forget what was done and plan everything again?"
            disabled={forget.isPending || plan.isPending}
            onSure={() => forget.mutate()}
          />
        </p>
      </aside>
    </main>
  );
}

function Headline({ order, isPlanning }: { order: Order | undefined; isPlanning: boolean }) {
  const answer = order?.answer;
  if (!answer?.feasible || !answer.starts_at || !answer.ready_at)
    return (
      <h1 className="font-display font-semibold text-[1.75rem] leading-tight">
        {isPlanning || !answer ? "The running order" : headlineWithoutOrder(answer)}
      </h1>
    );
  const done = order?.tasks.filter((one) => one.task.attended && one.state === "done").length ?? 0;
  const all = order?.tasks.filter((one) => one.task.attended).length ?? 0;
  return (
    <>
      <h1 className="font-display font-semibold text-[1.75rem] leading-tight">
        {done > 0 ? `${done} of ${all} tasks are done` : `Begin ${momentText(answer.starts_at)}`},{" "}
        <span className="text-rim">everything is ready {momentText(answer.ready_at)}</span>
      </h1>
      <p className="text-ash">
        {spokenMinutes(answer.hands_on_min ?? 0)} hands-on, {order?.visits} times in the kitchen.{" "}
        {answer.starts_because} {answer.proved ? "No calmer plan exists." : "A calmer plan may exist."} This
        order reduces nut traces; it cannot rule them out.
      </p>
    </>
  );
}

function headlineWithoutOrder(answer: Schemas["PlanAnswer"]): string {
  return answer.feasible === null ? "No plan was found in time" : "It cannot be ready in time";
}

type RefusedProps = {
  answer: Schemas["PlanAnswer"];
  mended: Schemas["OccasionAsk"] | null;
  onTake: (part: Partial<Schemas["OccasionAsk"]>) => void;
};

/** Which wishes stand against each other, and the least that mends it. */
function Refused({ answer, mended, onTake }: RefusedProps) {
  const together = answer.together ?? [];
  const changes = answer.least_change
    ? [answer.least_change]
    : Array.isArray(together)
      ? together
      : [together];
  const reasons = answer.because ?? [];
  return (
    <div className="my-2 rounded-lg border-[1.5px] border-butter-rim bg-butter p-3">
      <p>{reasons.length > 1 ? "These wishes conflict:" : "What prevents it:"}</p>
      <ul className="ml-5 list-disc">
        {reasons.map((row) => (
          <li key={row.message}>{row.message}</li>
        ))}
      </ul>
      {changes.length > 0 && mended && (
        <p className="mt-2">
          <Button look="filled" onClick={() => onTake(mended)}>
            {changes.length > 1 ? "Use these changes" : "Use the smallest change"}:{" "}
            {changes.map((one) => one.message).join(", and ")}
          </Button>
        </p>
      )}
    </div>
  );
}
