export { ConfectionPage } from "./ConfectionPage";
export { ConfectionSection } from "./ConfectionSection";
export { ForMix } from "./ForMix";
export { WhatFollows } from "./Outcome";
export { RecipeFit } from "./RecipeFit";
export { ROLE_WORDS, type Role } from "./words";
