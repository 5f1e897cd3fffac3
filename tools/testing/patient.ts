import { configure } from "@testing-library/dom";

// What a part of the interface does next is waited for as long as a machine may take that does something else beside it.
configure({ asyncUtilTimeout: 15_000 });
