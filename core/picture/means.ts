/** The mean of the square around each value of a picture, so many to each side; at an edge of what there is of it. */
export function boxMeans(values: Float32Array, width: number, height: number, reach: number): Float32Array {
  const means = new Float32Array(values.length)
  // Each column's sum over the rows in reach, brought up to date from row to row; then a running sum along them.
  const columns = new Float64Array(width)
  for (let row = 0; row < Math.min(reach, height); row += 1)
    for (let column = 0, at = row * width; column < width; column += 1, at += 1) columns[column]! += values[at]!
  for (let row = 0; row < height; row += 1) {
    const from = row * width
    const [comes, goes] = [from + reach * width, from - (reach + 1) * width]
    if (row + reach < height)
      for (let column = 0; column < width; column += 1) columns[column]! += values[comes + column]!
    if (goes >= 0) for (let column = 0; column < width; column += 1) columns[column]! -= values[goes + column]!
    const rows = Math.min(height, row + reach + 1) - Math.max(0, row - reach)
    let sum = 0
    for (let column = 0; column < Math.min(reach, width); column += 1) sum += columns[column]!
    // Far from both edges there are as many in reach everywhere.
    const whole = 1 / ((2 * reach + 1) * rows)
    const [first, last] = [Math.min(width, reach + 1), Math.max(0, width - reach)]
    for (let column = 0; column < first; column += 1) {
      if (column + reach < width) sum += columns[column + reach]!
      means[from + column] = sum / (Math.min(width, column + reach + 1) * rows)
    }
    for (let column = first; column < last; column += 1) {
      sum += columns[column + reach]! - columns[column - reach - 1]!
      means[from + column] = sum * whole
    }
    for (let column = Math.max(first, last); column < width; column += 1) {
      sum -= columns[column - reach - 1]!
      means[from + column] = sum / ((width - column + reach) * rows)
    }
  }
  return means
}
