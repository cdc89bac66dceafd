/** Hands a file to the builder in the language that ORTHODEX_LANGUAGE names. What it does stands in language.ts. */
const ready = import('tsx/esm/api')
  .then(({ tsImport }) => tsImport('./language.ts', __filename))
  .then(({ speaker }) => speaker(process.cwd(), process.env.ORTHODEX_LANGUAGE))

module.exports = function inThatLanguage(source) {
  const done = this.async()
  ready.then(
    (speak) => done(null, speak(this.resourcePath, source)),
    (error) => done(error),
  )
}
