import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, type Problem, type Schemas } from "../../api/client";
import { serverNow } from "../../api/serverTime";
import { Checkbox } from "../../ui/Checkbox";
import { Choice } from "../../ui/Choice";
import { TextField } from "../../ui/Field";
import { NumberField } from "../../ui/NumberField";
import { Option } from "../../ui/OptionList";
import { usualPaper } from "../../units/paper";
import { numberIn } from "../../units/units";
import { dayIso } from "./day";
import { labelSheetsQuery } from "./queries";

type Sheet = Schemas["Sheet"];
type Measure = (typeof MEASURES)[number][0];

const MEASURES = [
  ["width_mm", "Wide, mm"],
  ["height_mm", "High, mm"],
  ["columns", "Across"],
  ["rows", "Down"],
  ["gap_x_mm", "Gap across, mm"],
  ["gap_y_mm", "Gap down, mm"],
  ["left_mm", "From the left, mm"],
  ["top_mm", "From the top, mm"],
] as const;
const PAGES = { a4: "A4", letter: "Letter" } as const;
const SHAPES = { square: "with corners", round: "round", strip: "a strip" } as const;

type Props = {
  /** The address of what the labels are of. */
  of: string;
  name: string;
  /** How many pieces a pack can hold. */
  most: number;
  /** What else the address says. */
  said?: Record<string, string>;
  /** Whether the day that it was made is asked. */
  asksMade?: boolean;
  /** Stores what is being changed on the page; what it is of is told, so that the label is drawn anew. */
  changing?: { flush: () => Promise<void>; of: unknown };
};

/** A sheet of labels: chosen by its measures, seen as it will be, and opened as a page to print. */
export function LabelSheet(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 cursor-pointer content-center font-bold text-rim">Labels to print</summary>
      {open && <Sheets {...props} />}
    </details>
  );
}

function Sheets({ of, name, most, said, asksMade, changing }: Props) {
  const [made, setMade] = useState(() => dayIso(serverNow()));
  const sheets = useQuery(labelSheetsQuery);
  const [page, setPage] = useState<keyof typeof PAGES>(usualPaper);
  const [shape, setShape] = useState<keyof typeof SHAPES>("square");
  const [pieces, setPieces] = useState("");
  const [count, setCount] = useState("");
  const [line, setLine] = useState("");
  const [energy, setEnergy] = useState(false);
  const [measures, setMeasures] = useState<Partial<Record<Measure, string>>>({});
  const usual = sheets.data?.sheets.find((one) => one.page === page && one.shape === shape);
  const query = new URLSearchParams({ ...said, page, shape });
  const asked: [string, string][] = [["pieces", pieces], ["count", count], ...Object.entries(measures)];
  for (const [field, typed] of asked) {
    const figure = numberIn(typed);
    if (figure !== undefined) query.set(field, String(figure));
  }
  if (asksMade && made) query.set("made", made);
  if (line) query.set("line", line);
  if (energy) query.set("energy", "true");
  const address = `${of}/label.svg?${query}`;
  const drawn = useQuery({
    queryKey: ["label-drawn", address, changing?.of],
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 0,
    queryFn: async ({ signal }) => {
      await changing?.flush();
      return drawnLabel(address, signal);
    },
  });
  const error = drawn.error instanceof ApiError ? drawn.error.problem : null;
  const [first] = error?.errors ?? [];
  return (
    <div className="grid grid-cols-[repeat(auto-fit,minmax(min(18rem,100%),1fr))] gap-4 pb-2">
      <div className="grid grid-cols-2 content-start gap-2">
        <Choice label="Paper" value={page} onPick={(value) => setPage(value as keyof typeof PAGES)}>
          {Object.entries(PAGES).map(([key, words]) => (
            <Option key={key} value={key}>
              {words}
            </Option>
          ))}
        </Choice>
        <Choice
          label="Labels"
          value={shape}
          onPick={(value) => {
            setShape(value as keyof typeof SHAPES);
            setMeasures({});
          }}
        >
          {Object.entries(SHAPES).map(([key, words]) => (
            <Option key={key} value={key}>
              {words}
            </Option>
          ))}
        </Choice>
        <NumberField
          label="Pieces in a pack"
          value={pieces}
          placeholder={`all ${most}`}
          onChange={(event) => setPieces(event.target.value)}
        />
        <NumberField
          label="How many labels"
          value={count}
          placeholder={usual ? `${usual.rows * usual.columns}, a full sheet` : ""}
          onChange={(event) => setCount(event.target.value)}
        />
        {asksMade && (
          <TextField
            label="Made on"
            type="date"
            value={made}
            onChange={(event) => setMade(event.target.value)}
          />
        )}
        <div className="col-span-2">
          <TextField
            label="Your own line"
            value={line}
            maxLength={300}
            placeholder="such as who made it"
            onChange={(event) => setLine(event.target.value)}
          />
        </div>
        <Checkbox className="col-span-2 min-h-11" checked={energy} onCheck={setEnergy}>
          with its energy per 100 g
        </Checkbox>
        <details className="col-span-2">
          <summary className="min-h-11 cursor-pointer content-center text-rim">Measures of the sheet</summary>
          <div className="grid grid-cols-2 gap-2">
            {MEASURES.map(([field, words]) => (
              <NumberField
                key={field}
                label={words}
                value={measures[field] ?? ""}
                placeholder={usual ? String(usual[field as keyof Sheet]) : ""}
                onChange={(event) => setMeasures({ ...measures, [field]: event.target.value })}
              />
            ))}
          </div>
        </details>
        {error ? (
          <p role="alert" className="col-span-2 text-copper">
            No label: {first ? `${first.message}. Allowed: ${first.allowed}.` : error.detail}
          </p>
        ) : (
          <p className="col-span-2 flex flex-wrap items-center gap-x-5">
            <a
              href={`${of}/labels.pdf?${query}`}
              target="_blank"
              rel="noreferrer"
              onClick={async (event) => {
                if (!changing) return;
                event.preventDefault();
                await changing.flush();
                window.open(`${of}/labels.pdf?${query}`, "_blank", "noopener");
              }}
              className="inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-rim px-4 font-bold text-rim"
            >
              Open label sheet (PDF)
            </a>
            <a
              href={address}
              download="label.svg"
              className="inline-flex min-h-11 items-center font-bold text-rim underline"
            >
              One label (SVG)
            </a>
          </p>
        )}
        <p className="col-span-2 text-[0.875rem] text-ash">
          Print at 100 %, not fitted to the page. What is sold or given away follows local food rules: they
          usually want the maker’s name and address, a batch mark and nutrition.
        </p>
      </div>
      {drawn.data && !error && (
        <img
          src={`data:image/svg+xml,${encodeURIComponent(drawn.data)}`}
          alt={`The label of ${name}, as it is printed`}
          className="order-first max-h-96 w-72 self-start object-contain"
        />
      )}
    </div>
  );
}

async function drawnLabel(address: string, signal: AbortSignal): Promise<string> {
  const answer = await fetch(address, { signal });
  if (!answer.ok) throw new ApiError(answer.status, (await answer.json()) as Problem);
  return answer.text();
}
