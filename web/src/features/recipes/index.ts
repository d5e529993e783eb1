export { CardPage } from "./CardPage";
export { RecipesPage } from "./RecipesPage";
