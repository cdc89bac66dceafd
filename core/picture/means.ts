/** The mean of the square around each value of a picture, so many to each side; at an edge of what there is of it. */
export function boxMeans(values: Float32Array, width: number, height: number, reach: number): Float32Array {
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let row = 0; row < height; row += 1) {
    let sum = 0
    for (let column = 0; column < width; column += 1) {
      sum += values[row * width + column]!
      sums[(row + 1) * (width + 1) + column + 1] = sums[row * (width + 1) + column + 1]! + sum
    }
  }
  const means = new Float32Array(values.length)
  for (let row = 0; row < height; row += 1) {
    const [top, foot] = [Math.max(0, row - reach), Math.min(height, row + reach + 1)]
    for (let column = 0; column < width; column += 1) {
      const [left, right] = [Math.max(0, column - reach), Math.min(width, column + reach + 1)]
      const sum =
        sums[foot * (width + 1) + right]! -
        sums[top * (width + 1) + right]! -
        sums[foot * (width + 1) + left]! +
        sums[top * (width + 1) + left]!
      means[row * width + column] = sum / ((foot - top) * (right - left))
    }
  }
  return means
}
