import { configure } from "@testing-library/dom";
import { beforeEach } from "vitest";

// What a part of the interface does next is waited for as long as a machine may take that does something else beside it.
configure({ asyncUtilTimeout: 15_000 });

// Files share what they load; what one of them left in the browser's memory is no part of the next.
beforeEach(() => {
  if (typeof localStorage !== "undefined" && "clear" in localStorage) localStorage.clear();
});
