import { useQuery } from "@tanstack/react-query";
import { client, dataOf } from "../../api/client";
import { Button } from "../../ui/Button";
import type { Asked } from "./words";

type Props = { asked: Asked; onUse: (asked: Asked) => void };

/** Sizes near the present one that use up whole packs, the recipe as it is, or whole moulds. */
export function OtherSizes({ asked, onUse }: Props) {
  const { data } = useQuery({
    queryKey: ["near-confections", asked],
    retry: false,
    queryFn: ({ signal }) => dataOf(client.POST("/api/confections/near", { body: asked, signal })),
  });
  if (!data || data.near.length === 0) return null;
  return (
    <section aria-label="Whole packs and moulds" className="mt-3 border-line border-t pt-2 print:hidden">
      <h2 className="font-bold">Whole packs and moulds</h2>
      <ul>
        {data.near.map((one) => (
          <li key={one.says} className="flex items-center gap-3 border-line border-b text-[0.9375rem]">
            <span className="min-w-0 flex-1">
              {one.says}: {one.gives}{" "}
              <span className="text-ash">
                ({one.change > 0 ? "+" : "−"}
                {Math.abs(one.change * 100).toFixed(0)} %)
              </span>
            </span>
            <Button
              look="plain"
              aria-label={`Make ${one.gives}: ${one.says}`}
              onClick={() => onUse(one.asked)}
            >
              Make {one.gives}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
