/** A picture of a page in plain markup: it has no program that could load it in another size. */
export const Picture = (of: { readonly src: string; readonly alt: string; readonly className?: string }) => (
  // biome-ignore lint/performance/noImgElement: next/image needs a script and a server; this page is mailed.
  // biome-ignore lint/a11y/useAltText: the words beside it are given by who shows it.
  <img {...of} />
);
