import { createContext } from "react";

/** The id of the line of a page in which something stands; messages are told beside it. */
export const LineContext = createContext("");
