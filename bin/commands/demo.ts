import { DEMO_CLASS_CODE, DEMO_PASSWORD, DEMO_STAFF } from '@/practice/seed'
import { DEMO_PROJECTS } from '@/practice/projects'
import { buildWhenChanged } from '../serve/build'
import { dataFolder } from '../serve/data-folder'
import { startDemo } from '../serve/demo'
import { inWords, untilEnded } from '../serve/until-ended'

const project = process.cwd()
buildWhenChanged(project)
const demo = await inWords(startDemo(project, dataFolder(project)))
untilEnded(() => demo.stop(), demo.server.lost)

const staff = DEMO_STAFF.map(({ role, email }) => `  ${role.padEnd(12)} ${email}`).join('\n')
console.log(`
Saltmarsh Road Toolshed is open at  ${demo.url}

Staff, all with the password  ${DEMO_PASSWORD}
${staff}

Learners enter at  ${demo.url}/enter  with the class code  ${DEMO_CLASS_CODE}
and a first name: ${DEMO_PROJECTS.filter(({ machine }) => machine)
  .map(({ learner }) => learner)
  .join(', ')}

Letters that it sends can be read at  ${demo.inboxUrl}

Stop with Ctrl-C.`)
