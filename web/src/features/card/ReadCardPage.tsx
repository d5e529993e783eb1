import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { libraryQuery, vesselsQuery } from "../../api/queries";
import { Button } from "../../ui/Button";
import { Choice } from "../../ui/Choice";
import { Option } from "../../ui/OptionList";
import { PartOrFailure } from "../../ui/PartOrFailure";
import { mass, useUnits } from "../../units/units";
import { ConfectionSection, type Role, WhatFollows } from "../confection";
import { Doubts } from "./Doubts";
import { LinesOfCard } from "./LinesOfCard";
import { PartsOfCard } from "./PartsOfCard";
import { useCard } from "./useCard";
import { openDoubts } from "./words";

/** Read a card: its lines at the left, what is made of them at the right, each tied to the other. */
export function ReadCardPage() {
  const units = useUnits();
  const card = useCard();
  const { data: library } = useQuery(libraryQuery);
  const { data: vessels } = useQuery(vesselsQuery);
  const [chosen, setChosen] = useState<number | null>(null);
  const { found, whole, looked } = card;
  const press = (part: number | null) => setChosen(part === chosen ? null : part);
  const open = found ? openDoubts(found, card.settled) : [];
  const answer = looked.data?.answer;
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(0,1fr)] content-start gap-x-8 px-6 py-4 max-md:grid-cols-1 max-md:px-3">
      <section aria-label="The card">
        <h1 className="font-display font-semibold text-3xl">Read a recipe card</h1>
        <label className="mt-2 block">
          <span className="block text-[0.9375rem] text-ash">
            Paste the whole card: title, ingredients, how many, the tin or mould, and the method
          </span>
          <textarea
            dir="auto"
            rows={found ? 5 : 12}
            value={card.text}
            onChange={(event) => card.setText(event.target.value)}
            className="mt-1 w-full rounded-md border-[1.5px] border-line-strong bg-sheet p-2"
          />
        </label>
        <div className="mt-1 flex flex-wrap items-end gap-4">
          <Choice label="Spoons and cups are" value={card.measure} onPick={card.setMeasure}>
            <Option value="metric">metric</Option>
            <Option value="us">US</Option>
            <Option value="imperial">imperial</Option>
            <Option value="au">Australian</Option>
          </Choice>
          <label className="min-w-0 text-[0.9375rem] text-ash">
            or open a file{" "}
            <input
              type="file"
              accept=".txt,.json,.md,text/plain,application/json"
              className="min-h-11 max-w-full file:mr-3 file:min-h-11 file:rounded-lg file:border-[1.5px] file:border-rim file:bg-sheet file:px-3 file:font-bold file:text-rim"
              onChange={async (event) => card.setText((await event.target.files?.[0]?.text()) ?? card.text)}
            />
          </label>
        </div>
        {card.error && (
          <p role="alert" className="mt-2 text-copper">
            {card.error.message}
          </p>
        )}
        {found && <LinesOfCard lines={found.lines} chosen={chosen} onPress={press} />}
      </section>
      <section aria-label="What is made" className="max-md:mt-4">
        {!found && (
          <p className="mt-12 max-w-prose text-ash max-md:mt-2">
            What the card makes appears here as you paste it. Every line of the card is kept: as an
            ingredient, a part, a step or a question.
          </p>
        )}
        {found && (
          <>
            <h2 dir="auto" className="font-display font-semibold text-2xl">
              {whole?.name ?? found.recipe?.name}
            </h2>
            {answer && (
              <p aria-live="polite" className="text-[1.25rem]">
                {answer.pieces} {answer.pieces === 1 ? "piece" : "pieces"} of {mass(answer.piece_g, units)}
              </p>
            )}
            <p className="mt-2 flex flex-wrap items-center gap-3">
              <Button
                look="filled"
                disabled={card.make.isPending || card.isReading}
                onClick={() => card.make.mutate()}
              >
                Make it mine
              </Button>
              <span className="text-[0.9375rem] text-ash">
                {open.length === 0
                  ? "Nothing is open."
                  : `${open.length === 1 ? "One question is" : `${open.length} questions are`} open: answer now or later.`}
              </span>
            </p>
            {card.make.error && (
              <p role="alert" className="mt-1 text-copper">
                {card.make.error.message}
              </p>
            )}
            {(looked.error || !whole) && (
              <p role="alert" className="mt-1 rounded bg-butter px-2 py-1">
                {looked.error?.message ?? "The parts of this card could not be combined."}
              </p>
            )}
            {answer && whole && looked.data && (
              <PartOrFailure what="the drawing">
                <ConfectionSection
                  asked={{ parts: whole.parts.map((part) => ({ role: part.role as Role })) }}
                  answer={answer}
                  tints={looked.data.tints}
                  vessel={looked.data.vessel}
                  parts={{ chosen, onPress: press }}
                />
              </PartOrFailure>
            )}
            <Doubts
              open={open}
              read={found}
              whole={whole}
              vessels={vessels?.vessels ?? []}
              library={library}
              onSettle={card.settle}
              onPart={setChosen}
            />
            {whole && answer && (
              <PartsOfCard whole={whole} answer={answer} library={library} chosen={chosen} onPress={press} />
            )}
            {answer && looked.data && (
              <details className="mt-3">
                <summary className="min-h-11 cursor-pointer content-center font-bold text-rim">
                  Keeping, allergens and one piece
                </summary>
                <WhatFollows answer={answer} cost={looked.data.cost} units={units} />
              </details>
            )}
          </>
        )}
      </section>
    </main>
  );
}
