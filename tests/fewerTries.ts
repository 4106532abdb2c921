import fc from 'fast-check'

fc.configureGlobal({ ...fc.readConfigureGlobal(), numRuns: 10 })
