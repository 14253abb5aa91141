import { createContext, useContext } from "react";

/** The nonce of this response's content security policy; empty in the browser, which has no need of it any longer. */
export const NonceContext = createContext("");
export const useNonce = (): string => useContext(NonceContext);
