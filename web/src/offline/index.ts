export { isKitchenSaid, kitchen, whenKitchenSaid } from "./kitchen";
export { askServer, keepAnswers, orLast, useAsOf, useIsNewer } from "./lastKnown";
export { keepPages, loadNewPages } from "./newPages";
