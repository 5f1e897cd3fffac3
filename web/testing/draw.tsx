import { ChakraProvider } from "@chakra-ui/react";
import { render } from "@testing-library/react";
import { AppRouterContext } from "next/dist/shared/lib/app-router-context.shared-runtime";
import type { ReactNode } from "react";
import { system } from "@/kit/theme/system";

type Router = NonNullable<React.ContextType<typeof AppRouterContext>>;

/** Draws a part of the interface as a page does; where it leads to and that it asked for the page anew is written down. */
export function draw(node: ReactNode) {
  const went: string[] = [];
  const router = {
    push: (to: string) => went.push(to),
    replace: (to: string) => went.push(to),
    refresh: () => went.push("refresh"),
    back() {},
    forward() {},
    prefetch() {},
  } as unknown as Router;
  const drawn = render(
    <AppRouterContext value={router}>
      <ChakraProvider value={system}>{node}</ChakraProvider>
    </AppRouterContext>,
  );
  return { ...drawn, went };
}
