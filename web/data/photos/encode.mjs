// A program of its own: a picture that makes the decoder crash, hang or eat memory takes nothing else with it.
// Reads a picture from standard input and writes a line of JSON with its size, then the JPEG or PNG.
import sharp from "sharp";

const { side, quality, pixels, as } = JSON.parse(process.argv[2] ?? "{}");
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
try {
  const small = sharp(Buffer.concat(chunks), { limitInputPixels: pixels, failOn: "error" })
    .rotate()
    .resize(side, side, { fit: "inside", withoutEnlargement: true });
  // What can be seen through stays so in a PNG; a JPEG shows paper there.
  const made = as === "png" ? small.png({ palette: true }) : small.flatten({ background: "#ffffff" }).jpeg({ quality });
  const { data, info } = await made.toBuffer({ resolveWithObject: true });
  process.stdout.write(`${JSON.stringify({ width: info.width, height: info.height })}\n`);
  process.stdout.write(data);
} catch (error) {
  process.stderr.write(error instanceof Error ? error.message : String(error));
  process.exitCode = 3;
}
