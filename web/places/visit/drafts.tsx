"use client";

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef } from "react";

/** Saves what stands in a field; false where it cannot be, and the field says why. */
type Commit = () => Promise<boolean>;

interface Drafts {
  readonly register: (commit: Commit) => () => void;
}

const DraftsContext = createContext<Drafts | null>(null);

/** What the fields of a step hold, so that whoever leaves the step takes it along: nothing typed is dropped. */
export function useDrafts() {
  const commits = useRef(new Set<Commit>());
  const drafts = useMemo<Drafts>(
    () => ({
      register: (commit) => {
        commits.current.add(commit);
        return () => commits.current.delete(commit);
      },
    }),
    [],
  );
  /** Saves every field; false as soon as one cannot be saved. */
  const saveAll = useCallback(async () => {
    for (const commit of commits.current) if (!(await commit())) return false;
    return true;
  }, []);
  return { drafts, saveAll };
}

export function DraftsProvider({ drafts, children }: { drafts: Drafts; children: ReactNode }) {
  return <DraftsContext.Provider value={drafts}>{children}</DraftsContext.Provider>;
}

/** Registers a field with its step; the newest commit counts. */
export function useDraft(commit: Commit): void {
  const drafts = useContext(DraftsContext);
  const latest = useRef(commit);
  latest.current = commit;
  useEffect(() => drafts?.register(() => latest.current()), [drafts]);
}
