import { BUILD, KITCHEN_HEADER } from "./build";

const PLACE = "hearth-bowl-kitchen";

/** A browser that keeps nothing knows no kitchen from before. */
function stored(): string {
  try {
    return localStorage.getItem(PLACE) ?? "";
  } catch {
    return "";
  }
}

let current = stored();
let isSaid = false;
let isLeft = false;
let heard: () => void = () => undefined;

/** Whose kitchen this browser works in; empty before the first answer. */
export const kitchen = (): string => current;

/** Whether the server has said since this page was opened whose kitchen it is. */
export const isKitchenSaid = (): boolean => isSaid || !BUILD;

/** Whether this page is of a kitchen that is no longer there: nothing of it is kept from now on. */
export const isKitchenLeft = (): boolean => isLeft;

/** Say what is to be done once the server has said whose kitchen it is. */
export function whenKitchenSaid(act: () => void): void {
  heard = act;
}

/** Take note of whose kitchen an answer is of. Where it is another than that of before, all that is shown goes. */
export function noteKitchen(answer: Response): void {
  const said = answer.headers.get(KITCHEN_HEADER);
  if (!said) return;
  const before = current;
  current = said;
  try {
    if (before !== said) localStorage.setItem(PLACE, said);
  } catch {
    // known for as long as the page is open
  }
  if (isSaid && before !== said) {
    isLeft = true;
    location.reload();
  }
  const isFirst = !isSaid;
  isSaid = true;
  if (isFirst) heard();
}
