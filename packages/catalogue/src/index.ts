export { compileCatalogue, SHIPPED, shippedCatalogue } from './compiledCatalogue.js'
export { lintCatalogue } from './lintCatalogue.js'
export { loadCatalogue, parseYaml } from './loadCatalogue.js'
export { revisionOf, yamlFiles } from './revision.js'
