import type { KitRequest } from '@/core/kit/request'
import type { Sewn } from '@/core/kit/project'

/** What a person says of a project, as far as its kit and its thread follow from it. */
export type FabricFacts = Pick<KitRequest, 'fabric' | 'layers' | 'operation'> & { readonly sewn?: Sewn }
