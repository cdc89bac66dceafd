/** g/m² in one oz/yd². Source: geometry. */
export const GSM_PER_OUNCE_PER_SQUARE_YARD = 33.906

/** Mass per area in g/m² of a cut swatch. */
export const massOfSwatch = (swatch: { widthCm: number; heightCm: number; grams: number }): number =>
  (swatch.grams / (swatch.widthCm * swatch.heightCm)) * 10_000
