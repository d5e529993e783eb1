import type { Schemas } from "../../api/client";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { Option } from "../../ui/OptionList";
import { Phrase, PhraseList, PhraseNumber } from "../../ui/Phrase";
import { clockOf, isSameDay, momentText, timeOfDay } from "../../units/time";

type Asked = Schemas["OccasionAsk"];
type Wishes = Asked["wishes"];
type Props = { asked: Asked; onChange: (part: Partial<Asked>) => void };

const HANDS = ["you alone", "two people", "three people", "four people"];
const PACES = [
  { value: "0.8", text: "a fifth less than usual" },
  { value: "1", text: "as long as usual" },
  { value: "1.25", text: "a quarter more than usual" },
  { value: "1.5", text: "half as long again" },
];
const PLACES = [
  ["rings", "rings"],
  ["pots", "pots"],
  ["bowls", "bowls"],
  ["fridge_shelves", "fridge shelves"],
  ["cool_places", "cool places"],
] as const;

/** What is wished of the order, in a sentence in which everything can be pressed. */
export function WishesSentence({ asked, onChange }: Props) {
  const { wishes } = asked;
  const wish = (part: Partial<Wishes>) => onChange({ wishes: { ...wishes, ...part } });
  return (
    <p className="text-[1.125rem] leading-[1.6] print:leading-normal">
      For{" "}
      <Phrase label="Ready by" text={asked.ready_at ? momentText(asked.ready_at) : "no date yet"} after=",">
        {() => (
          <TextField
            label="Ready by"
            type="datetime-local"
            value={asked.ready_at?.slice(0, 16) ?? ""}
            onChange={(event) => onChange({ ready_at: event.target.value || null })}
          />
        )}
      </Phrase>{" "}
      with{" "}
      <PhraseList
        label="Hands"
        text={HANDS[wishes.cooks - 1] ?? `${wishes.cooks} people`}
        value={String(wishes.cooks)}
        options={HANDS.map((text, position) => ({ value: String(position + 1), text }))}
        onPick={(value) => wish({ cooks: Number(value) })}
      />{" "}
      from{" "}
      <Phrase
        label="Hours"
        text={`${timeOfDay(wishes.hours_from)} to ${timeOfDay(wishes.hours_to)}`}
        after=","
      >
        {() => (
          <div className="grid grid-cols-2 gap-3">
            <TextField
              label="From"
              type="time"
              value={wishes.hours_from}
              onChange={(event) => event.target.value && wish({ hours_from: event.target.value })}
            />
            <TextField
              label="To"
              type="time"
              value={wishes.hours_to === "24:00" ? "23:59" : wishes.hours_to}
              onChange={(event) => event.target.value && wish({ hours_to: event.target.value })}
            />
          </div>
        )}
      </Phrase>{" "}
      <Phrase label="Away" text={awayText(wishes.away)} after=",">
        {() => <AwayForm wishes={wishes} onAway={(away) => wish({ away })} readyAt={asked.ready_at} />}
      </Phrase>{" "}
      starting{" "}
      <Phrase
        label="Begun"
        text={wishes.begins_at ? `no earlier than ${momentText(wishes.begins_at)}` : "at any time"}
        after=","
      >
        {(close) => (
          <div className="grid gap-2">
            <TextField
              label="Not before"
              type="datetime-local"
              value={wishes.begins_at?.slice(0, 16) ?? ""}
              onChange={(event) => wish({ begins_at: event.target.value || null })}
            />
            <Button
              onClick={() => {
                wish({ begins_at: null });
                close();
              }}
            >
              At any time
            </Button>
          </div>
        )}
      </Phrase>{" "}
      with{" "}
      <Phrase label="Places" text={placesText(wishes.has)} after=";">
        {() => (
          <div className="grid grid-cols-2 gap-3">
            {PLACES.map(([key, name]) => (
              <TextField
                key={key}
                label={name}
                inputMode="numeric"
                placeholder="enough"
                value={wishes.has[key] === null ? "" : String(wishes.has[key])}
                onChange={(event) => {
                  const text = event.target.value.trim();
                  if (text === "") wish({ has: { ...wishes.has, [key]: null } });
                  else if (/^\d{1,3}$/.test(text)) wish({ has: { ...wishes.has, [key]: Number(text) } });
                }}
              />
            ))}
          </div>
        )}
      </Phrase>{" "}
      <PhraseNumber
        label="Out of the fridge before"
        unit="min"
        whole
        text={`${wishes.out_of_fridge_min} min`}
        value={wishes.out_of_fridge_min}
        onTake={(value) => wish({ out_of_fridge_min: value ?? 0 })}
      />{" "}
      out of the fridge before they are eaten. Work takes{" "}
      <PhraseList
        label="Your pace"
        text={
          PACES.find((pace) => pace.value === String(wishes.hands))?.text ?? `${wishes.hands} times as long`
        }
        value={String(wishes.hands)}
        options={PACES}
        after="."
        onPick={(value) => wish({ hands: Number(value) })}
      />
      {wishes.dropped.length > 0 && (
        <>
          {" "}
          <PhraseList
            label="Left out"
            text={`${wishes.dropped.length} left out`}
            value=""
            options={[{ value: "back", text: "make everything again" }]}
            after="."
            onPick={() => wish({ dropped: [] })}
          />
        </>
      )}
    </p>
  );
}

function awayText(away: Wishes["away"]): string {
  const first = away[0];
  if (!first) return "never away";
  const rest = away.length > 1 ? ` and ${away.length - 1} more` : "";
  const until = isSameDay(first.from_at, first.to_at) ? clockOf(first.to_at) : momentText(first.to_at);
  return `away ${momentText(first.from_at)} to ${until}${rest}`;
}

function placesText(has: Wishes["has"]): string {
  const said = PLACES.flatMap(([key, name]) => (has[key] === null ? [] : [`${has[key]} ${name}`]));
  return said.length > 0 ? said.join(", ") : "places enough";
}

type AwayProps = { wishes: Wishes; readyAt: string | null; onAway: (away: Wishes["away"]) => void };

function AwayForm({ wishes, readyAt, onAway }: AwayProps) {
  const { away, cooks } = wishes;
  const at = (position: number, part: Partial<Wishes["away"][number]>) =>
    onAway(away.map((row, here) => (here === position ? { ...row, ...part } : row)));
  const day = (readyAt ?? new Date().toISOString()).slice(0, 10);
  return (
    <div className="grid gap-3">
      {away.map((row, position) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: an absence is its place in the list
        <div key={position} className="grid gap-1 border-line border-b pb-2">
          <TextField
            label="From"
            type="datetime-local"
            value={row.from_at.slice(0, 16)}
            onChange={(event) => event.target.value && at(position, { from_at: event.target.value })}
          />
          <TextField
            label="To"
            type="datetime-local"
            value={row.to_at.slice(0, 16)}
            onChange={(event) => event.target.value && at(position, { to_at: event.target.value })}
          />
          {cooks > 1 && (
            <Choice
              label="Who"
              value={row.cook ?? ""}
              onPick={(value) => at(position, { cook: value === "" ? null : Number(value) })}
            >
              <Option value="">all</Option>
              {Array.from({ length: cooks }, (_, cook) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a cook is a number
                <Option key={cook} value={cook}>
                  cook {cook + 1}
                </Option>
              ))}
            </Choice>
          )}
          <Button look="plain" onClick={() => onAway(away.filter((_, here) => here !== position))}>
            There after all
          </Button>
        </div>
      ))}
      <Button
        onClick={() =>
          onAway([...away, { from_at: `${day}T09:00:00`, to_at: `${day}T17:00:00`, cook: null }])
        }
      >
        Away another time
      </Button>
    </div>
  );
}
