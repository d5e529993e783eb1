import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { client, dataOf } from "../../api/client";
import { useUnits } from "../../units/units";
import { type Doubt, keyOf, type Whole } from "./words";

const PAUSE_MS = 350;
const KEPT = "hearth-card";

/** A card as it is typed or pasted: read after a short pause, settled bit by bit, made one's own. The text stays. */
export function useCard() {
  const units = useUnits();
  const [text, setText] = useState(() => sessionStorage.getItem(KEPT) ?? "");
  const [measure, setMeasure] = useState(units.measure);
  const [asked, setAsked] = useState({ text, measure });
  const [settled, setSettled] = useState<ReadonlySet<string>>(new Set());
  const [changed, setChanged] = useState<Whole | null>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  useEffect(() => {
    const timer = setTimeout(() => {
      sessionStorage.setItem(KEPT, text);
      setAsked({ text: text.trim(), measure });
      setChanged(null);
      setSettled(new Set());
    }, PAUSE_MS);
    return () => clearTimeout(timer);
  }, [text, measure]);
  const read = useQuery({
    queryKey: ["card-read", asked],
    enabled: asked.text !== "",
    retry: false,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => dataOf(client.POST("/api/recipes/read", { body: asked, signal })),
  });
  const found = asked.text === "" || read.error ? null : (read.data ?? null);
  const whole = changed ?? (found?.whole as Whole | null) ?? null;
  const looked = useQuery({
    queryKey: ["card-looked", whole],
    enabled: whole !== null,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      dataOf(client.POST("/api/confections/look", { body: { confection: whole ?? {} }, signal })),
  });
  const make = useMutation({
    mutationFn: () =>
      dataOf(
        client.POST("/api/confections/take-in", {
          body: { text: whole ? JSON.stringify(whole) : asked.text, measure },
        }),
      ),
    onSuccess: async (made) => {
      sessionStorage.removeItem(KEPT);
      await queries.invalidateQueries();
      const mix = made.asked.parts.find((part) => part.of.recipe_id !== null)?.of.recipe_id;
      navigate(found?.confection || mix == null ? `/confections/${made.id}` : `/recipes/${mix}/formula`);
    },
  });
  return {
    text,
    setText,
    measure,
    setMeasure,
    found,
    whole,
    looked,
    make,
    error: asked.text === "" ? null : read.error,
    isReading: read.isFetching || asked.text !== text.trim(),
    settled,
    settle: (doubt: Doubt, next: Whole | null = null) => {
      setSettled(new Set([...settled, keyOf(doubt)]));
      if (next) setChanged(next);
    },
    change: setChanged,
  };
}
