/** Linear light of an sRGB value 0–255 (IEC 61966-2-1). */
const linear = (value: number): number => {
  const share = value / 255
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
}

/**
 * A colour in OKLab (Ottosson 2020): lightness 0–1, a from green to red and b from blue to yellow, about −0.4 to 0.4.
 * @param red, @param green and @param blue 0–255
 */
export function oklab(red: number, green: number, blue: number): [lightness: number, a: number, b: number] {
  const [r, g, b] = [linear(red), linear(green), linear(blue)]
  const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b)
  const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b)
  const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
  return [
    0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s,
    1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s,
    0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s,
  ]
}
