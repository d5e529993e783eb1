export { OrderPage } from "./OrderPage";
export { Standing } from "./Standing";
export { useFollowed } from "./useOrder";
