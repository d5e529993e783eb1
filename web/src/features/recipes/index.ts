export { RecipesPage } from "./RecipesPage";
