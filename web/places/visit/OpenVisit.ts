"use client";

import { createContext } from "react";

/** Goes to another visit of this device without leaving the sheet: what runs, runs on. */
export const OpenVisit = createContext<(visitId: string) => void>(() => {});
