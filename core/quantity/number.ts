export type ReadNumber = { ok: true; value: number } | { ok: false; reason: string; ambiguous: boolean };
export type DecimalMark = ',' | '.';

/** A space, one that does not break, a thin one, a thin one that does not break. */
const SPACES = ' \u00a0\u2009\u202f';
const APOSTROPHES = "'’";
/** Three digits at a time, with a space or an apostrophe between: never anything but thousands. */
const GROUPED = new RegExp(`(?<=\\d)[${SPACES}${APOSTROPHES}](?=\\d{3}(?:\\D|$))`, 'g');
const MINUS = /^[−–]/;
/** "1.200": one and a fifth, or one thousand two hundred where the comma is the decimal mark. */
const LIKE_THOUSANDS = /^[1-9]\d{0,2}\.\d{3}$/;

/** A number at the beginning of a text, as far as it goes; what it says is left to `readNumber`. */
export const NUMBER_AT_START = new RegExp(
  String.raw`^[+\-−–]?(?:\d{1,3}(?:[${SPACES}${APOSTROPHES}]\d{3})+(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)(?:e[+\-−]?\d+)?(?![\d.,])`,
  'i',
);

/**
 * A number as people and reports write it: decimal point or comma, thousands by comma, point, space or apostrophe, any minus sign.
 * "1,200" may be 1.2 or 1200: it is refused and asked about, never guessed.
 *
 * @param mark the decimal mark, where what stands around the number tells it
 */
export function readNumber(text: string, mark: DecimalMark | null = null): ReadNumber {
  const plain = text.trim().replace(MINUS, '-').replaceAll('−', '-').replace(GROUPED, '');
  const no = { ok: false, reason: `“${text.trim().slice(0, 24)}” is not a number.`, ambiguous: false } as const;
  const parts = /^([+-]?)([\d.,]*)(e[+-]?\d+)?$/i.exec(plain);
  const [, sign = '', digits = '', power = ''] = parts ?? [];
  if (!/\d/.test(digits)) return no;
  const [commas, points] = [digits.split(',').length - 1, digits.split('.').length - 1];
  const grouped = (mark: ',' | '.'): boolean =>
    new RegExp(`^\\d{1,3}(\\${mark}\\d{3})+$`).test(digits.split(mark === ',' ? '.' : ',')[0] ?? '');
  let number: string;
  if (commas > 0 && points > 0) {
    const decimal = digits.lastIndexOf(',') > digits.lastIndexOf('.') ? ',' : '.';
    const group = decimal === ',' ? '.' : ',';
    if ((decimal === ',' ? commas : points) > 1 || !grouped(group)) return no;
    number = digits.replaceAll(group, '').replace(decimal, '.');
  } else if (commas > 1 || points > 1) {
    if (!grouped(commas > 1 ? ',' : '.')) return no;
    number = digits.replaceAll(commas > 1 ? ',' : '.', '');
  } else if (commas === 1) {
    const [whole = '', rest = ''] = digits.split(',');
    const mayBeThousands = /^[1-9]\d{0,2}$/.test(whole) && rest.length === 3;
    if (mayBeThousands && mark === null)
      return {
        ok: false,
        reason: `“${sign}${digits}” may be ${sign}${whole}.${rest} or ${sign}${whole}${rest}: write the one that is meant.`,
        ambiguous: true,
      };
    number = mayBeThousands && mark === '.' ? `${whole}${rest}` : digits.replace(',', '.');
  } else number = digits;
  const value = Number(`${sign}${number}${power}`);
  return Number.isFinite(value) ? { ok: true, value } : no;
}

/** A number as it is typed under a decimal mark of choice: with the comma, what may be thousands by the point is asked about too. */
export function readTyped(text: string, mark: DecimalMark): ReadNumber {
  if (mark === '.') return readNumber(text);
  const plain = text.trim().replace(/^[+\-−–]/, '');
  if (!LIKE_THOUSANDS.test(plain)) return readNumber(text, mark);
  const [whole, rest] = plain.split('.');
  return {
    ok: false,
    reason: `“${text.trim()}” may be ${whole},${rest} or ${whole}${rest}: write the one that is meant.`,
    ambiguous: true,
  };
}

/** The decimal mark that the numbers of one table use, told by those that can be read in one way only; null where they do not tell. */
export function decimalMarkOf(texts: readonly string[]): DecimalMark | null {
  const tells = (mark: DecimalMark): boolean => {
    const sure = new RegExp(
      `^\\D*\\d{1,3}(?:[${mark === ',' ? '.' : ','}]\\d{3})+\\${mark}\\d|(?:^|\\D)0\\${mark}\\d|\\d\\${mark}(?:\\d{1,2}|\\d{4,})(?!\\d)`,
    );
    return texts.some((text) => sure.test(text));
  };
  const [comma, point] = [tells(','), tells('.')];
  return comma === point ? null : comma ? ',' : '.';
}
