import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { ApiError, client, dataOf } from "../../api/client";
import { probesQuery } from "../../api/queries";
import { Sure } from "../../ui/Sure";
import { timeText } from "../../units/time";

/** Clocks within this are the same. */
const SAME_CLOCK_S = 5;

/** The thermometers that ever spoke: whose clock is off, how long their readings stay; one no batch heard can go. */
export function Thermometers() {
  const { data } = useQuery(probesQuery);
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: (probe_id: string) =>
      dataOf(client.DELETE("/api/probes/{probe_id}", { params: { path: { probe_id } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: probesQuery.queryKey }),
  });
  if (!data || data.probes.length === 0) return null;
  const { retention } = data;
  return (
    <section aria-label="Your thermometers">
      <h2 className="mt-1 font-bold">Your thermometers</h2>
      <ul>
        {data.probes.map((probe) => (
          <li key={probe.id} className="flex items-center justify-between gap-2 border-line border-b">
            <span className="min-w-0 break-words">
              {probe.name}
              {Math.abs(probe.clock_ahead_s) >= SAME_CLOCK_S && (
                <span className="block text-[0.875rem] text-ash">
                  Its clock is {timeText(probe.clock_ahead_s)} {probe.clock_ahead_s > 0 ? "ahead" : "behind"}:
                  readings are corrected.
                </span>
              )}
            </span>
            <Sure
              words="Delete"
              goes={`${probe.name} and its readings.`}
              disabled={remove.isPending}
              onSure={() => remove.mutate(probe.id)}
            />
          </li>
        ))}
      </ul>
      {remove.error instanceof ApiError && (
        <p role="alert" className="text-copper text-sm">
          {remove.error.problem.detail}
        </p>
      )}
      <p className="mt-1 text-[0.875rem] text-ash">
        Readings of a batch are thinned {retention.thinned_after_days} days after it ended, to about{" "}
        {retention.kept_points} that keep its shape; those of no batch are let go after{" "}
        {retention.let_go_after_days} days.
      </p>
    </section>
  );
}
