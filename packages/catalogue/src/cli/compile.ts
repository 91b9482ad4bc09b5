import { compileCatalogue } from '../compiledCatalogue.js'

/** Part of the build: reads and checks the catalogue once, so that no start has to. */
const { protocols, exercises, revision } = compileCatalogue()
process.stdout.write(`catalogue ${revision}: ${protocols.size} protocols, ${exercises.size} exercises\n`)
