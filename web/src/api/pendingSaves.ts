/** Saves that are on their way, by recipe: who reads a recipe waits for them first. */
export const pendingSaves = new Map<number, Promise<void>>();
