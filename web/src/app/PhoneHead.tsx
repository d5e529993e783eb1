import { useState } from "react";
import { Link, NavLink } from "react-router";
import { RimClock } from "../features/clocks";
import { Kitchen } from "../features/kitchen";
import { Popover } from "../ui/Popover";
import { BESIDE, type KnotPlace } from "./places";

type HeadProps = { name: string; place: string | null; knots: readonly KnotPlace[] };

/** The head on a phone, one row: what is worked on, with its places behind it, and one way back. */
export function PhoneHead({ name, place, knots }: HeadProps) {
  const [open, setOpen] = useState(false);
  const here = knots.find((knot) => knot.key === place);
  return (
    <header className="on-rim flex min-h-13 items-center gap-x-1 bg-rim px-2 text-sheet print:hidden">
      {knots.length === 0 ? (
        <Link to="/" className="flex min-h-11 items-center px-1 font-display font-semibold text-[1.25rem]">
          Hearth Bowl
        </Link>
      ) : (
        <>
          <Link
            to="/recipes"
            aria-label="Back to Recipes"
            className="flex size-11 shrink-0 items-center justify-center text-[1.75rem] leading-none"
          >
            ‹
          </Link>
          <Popover
            label="Steps of this recipe"
            open={open}
            onOpenChange={setOpen}
            trigger={
              <button
                type="button"
                className="flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left text-[1.0625rem]"
              >
                <span dir="auto" className="min-w-0 truncate font-bold">
                  {name || "Recipe"}
                </span>
                <span className="shrink-0">{here ? `${here.name} ▾` : "▾"}</span>
              </button>
            }
          >
            <nav aria-label="Steps of this recipe" className="grid">
              {knots.map((knot) => (
                <Link
                  key={knot.key}
                  to={knot.to}
                  aria-current={knot.key === place ? "page" : undefined}
                  onClick={() => setOpen(false)}
                  className="flex min-h-11 items-center text-[1.0625rem] text-rim aria-[current=page]:font-bold"
                >
                  {knot.name}
                </Link>
              ))}
            </nav>
          </Popover>
        </>
      )}
      <span className="ml-auto shrink-0">
        <RimClock className={place === "stove" ? "hidden" : ""} />
      </span>
    </header>
  );
}

const IN_ROW = 4;

/** The places on a phone, at the bottom edge where a thumb is: four and what is more. */
export function PhonePlaces() {
  const [open, setOpen] = useState(false);
  const look =
    "flex min-h-13 min-w-11 flex-1 items-center justify-center text-[0.875rem] aria-[current=page]:font-bold aria-[current=page]:underline";
  return (
    <nav
      aria-label="Places"
      className="on-rim fixed inset-x-0 bottom-0 z-40 flex flex-wrap bg-rim text-sheet print:hidden"
    >
      {BESIDE.slice(0, IN_ROW).map((place) => (
        <NavLink
          key={place.to}
          to={place.to}
          end={place.to === "/recipes" || place.to === "/"}
          className={look}
        >
          {place.name}
        </NavLink>
      ))}
      <Popover
        label="More places"
        align="end"
        open={open}
        onOpenChange={setOpen}
        trigger={
          <button type="button" className={look}>
            More
          </button>
        }
      >
        <div className="grid">
          {BESIDE.slice(IN_ROW).map((place) => (
            <Link
              key={place.to}
              to={place.to}
              onClick={() => setOpen(false)}
              className="flex min-h-11 items-center text-[1.0625rem] text-rim"
            >
              {place.name}
            </Link>
          ))}
          <div className="text-rim">
            <Kitchen />
          </div>
        </div>
      </Popover>
    </nav>
  );
}
