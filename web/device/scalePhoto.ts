/** The longer side of what goes up, pixels. */
const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** A size that fits, in whole pixels, never enlarged. */
export function fitted(width: number, height: number): { readonly width: number; readonly height: number } {
  const share = Math.min(1, LONGEST_PX / Math.max(1, width, height));
  return { width: Math.max(1, Math.round(width * share)), height: Math.max(1, Math.round(height * share)) };
}

/**
 * A picture as it goes up: turned the right way, scaled, and without anything but its pixels: no place, no device.
 *
 * @throws DOMException for a file that is no picture this device can read.
 */
export async function scalePhoto(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file, { imageOrientation: "from-image" });
  try {
    return await drawn(bitmap, bitmap.width, bitmap.height);
  } finally {
    bitmap.close();
  }
}

/** What a camera shows now, as a picture that goes up. */
export const scaleFrame = (video: HTMLVideoElement): Promise<Blob> => drawn(video, video.videoWidth, video.videoHeight);

async function drawn(source: CanvasImageSource, width: number, height: number): Promise<Blob> {
  const size = fitted(width, height);
  const canvas = new OffscreenCanvas(size.width, size.height);
  const context = canvas.getContext("2d", { alpha: false });
  if (!context) throw new DOMException("This device draws no pictures.", "NotSupportedError");
  context.drawImage(source, 0, 0, size.width, size.height);
  return canvas.convertToBlob({ type: "image/jpeg", quality: QUALITY });
}
