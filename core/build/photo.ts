/** A picture of the building, as it is kept beside a design. */
export interface Photo {
  designId: string;
  /** As the ticks of the design name it. */
  id: string;
  /** JPEG, shrunk. */
  jpeg: Uint8Array;
}

/** Longest side that a picture is shrunk to, pixels; and the most bytes it may have. */
export const PHOTO_LIMITS = { longestPx: 1280, bytes: 2_000_000 };

/** Why bytes are no picture that is kept; null for one that is. */
export function photoFault(bytes: Uint8Array): string | null {
  if (bytes.length > PHOTO_LIMITS.bytes) return 'is larger than a kept picture can be';
  return bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff ? null : 'is no JPEG picture';
}
