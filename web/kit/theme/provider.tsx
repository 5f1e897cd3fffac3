"use client";

import { ChakraProvider } from "@chakra-ui/react";
import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { useServerInsertedHTML } from "next/navigation";
import { ThemeProvider } from "next-themes";
import { type ReactNode, useState } from "react";
import { system } from "./system";

/** A style cache that hands out what was added since it was last asked, so that styles stream with their markup. */
function makeRegistry(nonce?: string) {
  const cache = createCache({ key: "kr", ...(nonce ? { nonce } : {}) });
  cache.compat = true;
  const insert = cache.insert;
  let pending: { name: string; global: boolean }[] = [];
  cache.insert = (...args) => {
    const [selector, serialized] = args;
    if (cache.inserted[serialized.name] === undefined) pending.push({ name: serialized.name, global: !selector });
    return insert(...args);
  };
  const flush = () => {
    const done = pending;
    pending = [];
    return done;
  };
  return { cache, flush };
}

/** Theme, styles under the page's nonce, and the light or dim room. */
export function UiProvider({ nonce, children }: { nonce?: string; children: ReactNode }) {
  const [{ cache, flush }] = useState(() => makeRegistry(nonce));
  useServerInsertedHTML(() => {
    const done = flush();
    if (done.length === 0) return null;
    let css = "";
    let names = cache.key;
    const globals: ReactNode[] = [];
    for (const { name, global } of done) {
      const style = cache.inserted[name];
      if (typeof style !== "string") continue;
      if (global)
        globals.push(
          <style
            key={name}
            nonce={nonce}
            data-emotion={`${cache.key}-global ${name}`}
            dangerouslySetInnerHTML={{ __html: style }}
          />,
        );
      else {
        css += style;
        names += ` ${name}`;
      }
    }
    return (
      <>
        {globals}
        {css ? <style nonce={nonce} data-emotion={names} dangerouslySetInnerHTML={{ __html: css }} /> : null}
      </>
    );
  });
  return (
    <CacheProvider value={cache}>
      <ChakraProvider value={system}>
        <ThemeProvider attribute="class" disableTransitionOnChange {...(nonce ? { nonce } : {})}>
          {children}
        </ThemeProvider>
      </ChakraProvider>
    </CacheProvider>
  );
}
