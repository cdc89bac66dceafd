import { buildWhenChanged } from '../serve/build'

// The same build that a start makes, so that a start finds it: an image is built once and not at each of its starts.
buildWhenChanged(process.cwd())
