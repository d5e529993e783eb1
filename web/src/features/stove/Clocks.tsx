import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, dataOf, type Schemas } from "../../api/client";
import { timersQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Popover } from "../../ui/Popover";
import { numberIn } from "../../units/units";
import { clockText } from "./time";

type Timer = Schemas["TimerOut"];

/** The clocks that run: the server keeps their moments, whatever this browser's clock says. */
export function Clocks({ batch }: { batch: number | null }) {
  const queries = useQueryClient();
  const { data, dataUpdatedAt } = useQuery({ ...timersQuery, refetchInterval: 5000 });
  const [now, setNow] = useState(Date.now());
  useEffect(() => {
    const tick = window.setInterval(() => setNow(Date.now()), 500);
    return () => window.clearInterval(tick);
  }, []);
  const refresh = () => queries.invalidateQueries({ queryKey: timersQuery.queryKey });
  const change = useMutation({
    mutationFn: ({ id, ...body }: { id: number; more_s?: number; paused?: boolean; stopped?: boolean }) =>
      dataOf(
        client.POST("/api/timers/{timer_id}", { params: { path: { timer_id: id } }, body: body as never }),
      ),
    onSuccess: refresh,
  });
  const timers = data?.timers.filter((timer) => timer.batch_id === null || timer.batch_id === batch) ?? [];
  return (
    <div className="flex max-w-full items-stretch overflow-x-auto">
      {timers.map((timer) => (
        <Clock
          key={timer.id}
          timer={timer}
          leftS={timer.left_s - (timer.is_paused ? 0 : Math.max(0, now - dataUpdatedAt) / 1000)}
          onChange={(part) => change.mutate({ id: timer.id, ...part })}
        />
      ))}
      <NewClock batch={batch} onDone={refresh} />
    </div>
  );
}

type ClockProps = {
  timer: Timer;
  leftS: number;
  onChange: (part: { more_s?: number; paused?: boolean; stopped?: boolean }) => void;
};

function Clock({ timer, leftS, onChange }: ClockProps) {
  const overdue = leftS < 0;
  return (
    <Popover
      label={timer.name}
      trigger={
        <button
          type="button"
          className={`min-h-16 shrink-0 border-line border-r px-5 py-2 text-left ${overdue ? "bg-copper-pale text-copper" : ""}`}
        >
          <span className="block font-display font-semibold text-[30px] leading-none">
            {overdue && "+"}
            {clockText(leftS)}
          </span>
          <span className="block text-[15px]">
            {timer.name}
            {overdue ? ", overdue" : timer.is_paused ? ", paused" : ""}
          </span>
        </button>
      }
    >
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => onChange({ more_s: 60 })}>1 min more</Button>
        <Button onClick={() => onChange({ more_s: 300 })}>5 min more</Button>
        <Button onClick={() => onChange({ paused: !timer.is_paused })}>
          {timer.is_paused ? "Go on" : "Pause"}
        </Button>
        <Button onClick={() => onChange({ stopped: true })}>Stop it</Button>
      </div>
    </Popover>
  );
}

function NewClock({ batch, onDone }: { batch: number | null; onDone: () => void }) {
  const [name, setName] = useState("");
  const [minutes, setMinutes] = useState("10");
  const [open, setOpen] = useState(false);
  const start = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/timers", {
          body: { name: name.trim() || "Timer", seconds: 60 * (numberIn(minutes) ?? 0), batch_id: batch },
        }),
      ),
    onSuccess: () => {
      setOpen(false);
      onDone();
    },
  });
  return (
    <Popover
      label="A new timer"
      open={open}
      onOpenChange={setOpen}
      trigger={
        <button type="button" className="min-h-16 shrink-0 px-5 py-2 font-bold text-[17px] text-rim">
          Start a timer
        </button>
      }
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          start.mutate();
        }}
      >
        <TextField
          label="For what"
          value={name}
          placeholder="Trays, second chill"
          onChange={(e) => setName(e.target.value)}
        />
        <NumberField label="Minutes" value={minutes} onChange={(e) => setMinutes(e.target.value)} />
        {start.error && <p role="alert">{start.error.message}</p>}
        <Button type="submit" look="filled" disabled={!numberIn(minutes)}>
          Start it
        </Button>
      </form>
    </Popover>
  );
}
