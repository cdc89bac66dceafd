import fc from 'fast-check'

// A mutation run asks thousands of times whether any test notices: a property that has not noticed in this time will not.
fc.configureGlobal({ ...fc.readConfigureGlobal(), interruptAfterTimeLimit: 200 })
