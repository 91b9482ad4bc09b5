import { openApi } from '@pledge/contract'
import type { FastifyPluginAsync } from 'fastify'
import { serve } from '../../plugins/serve.js'

/** What the API takes and answers, for those who run the clinic's server. */
export const apiDocument: FastifyPluginAsync = async (app) => {
  serve(app, 'apiDocument', async () => openApi())
}
