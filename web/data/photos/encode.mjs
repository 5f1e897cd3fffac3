// A program of its own: a picture that makes the decoder crash, hang or eat memory takes nothing else with it.
// Reads a picture from standard input and writes a line of JSON with its size, then the JPEG.
import sharp from "sharp";

const { side, quality, pixels } = JSON.parse(process.argv[2] ?? "{}");
const chunks = [];
for await (const chunk of process.stdin) chunks.push(chunk);
try {
  const { data, info } = await sharp(Buffer.concat(chunks), { limitInputPixels: pixels, failOn: "error" })
    .rotate()
    .resize(side, side, { fit: "inside", withoutEnlargement: true })
    .jpeg({ quality })
    .toBuffer({ resolveWithObject: true });
  process.stdout.write(`${JSON.stringify({ width: info.width, height: info.height })}\n`);
  process.stdout.write(data);
} catch (error) {
  process.stderr.write(error instanceof Error ? error.message : String(error));
  process.exitCode = 3;
}
