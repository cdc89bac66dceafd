/** The mean of the square around each value of a picture, so many to each side; at an edge of what there is of it. */
export function boxMeans(values: Float32Array, width: number, height: number, reach: number): Float32Array {
  const means = new Float32Array(values.length)
  // Each column's sum over the rows in reach, brought up to date from row to row; then a running sum along them.
  const columns = new Float64Array(width)
  const add = (row: number, times: 1 | -1) => {
    const from = row * width
    for (let column = 0; column < width; column += 1) columns[column]! += times * values[from + column]!
  }
  for (let row = 0; row < Math.min(reach, height); row += 1) add(row, 1)
  for (let row = 0; row < height; row += 1) {
    if (row + reach < height) add(row + reach, 1)
    if (row - reach > 0) add(row - reach - 1, -1)
    const rows = Math.min(height, row + reach + 1) - Math.max(0, row - reach)
    const from = row * width
    let sum = 0
    let count = 0
    for (let column = -reach; column < width; column += 1) {
      if (column + reach < width) {
        sum += columns[column + reach]!
        count += 1
      }
      if (column > reach) {
        sum -= columns[column - reach - 1]!
        count -= 1
      }
      if (column >= 0) means[from + column] = sum / (count * rows)
    }
  }
  return means
}
