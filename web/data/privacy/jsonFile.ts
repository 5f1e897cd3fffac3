/** What is kept about somebody, as a file under their name. */
export const jsonFile = ({ name, text }: { readonly name: string; readonly text: string }): Response =>
  new Response(text, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(`What is kept about ${name}.json`)}`,
      "cache-control": "no-store",
    },
  });
