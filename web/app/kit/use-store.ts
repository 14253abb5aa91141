import { useSyncExternalStore } from "react";
import type { Store } from "./store.ts";

/** The state of a store; the component is drawn again when it changes. */
export const useStore = <State>(store: Store<State>): State => useSyncExternalStore(store.subscribe, store.get, store.get);
