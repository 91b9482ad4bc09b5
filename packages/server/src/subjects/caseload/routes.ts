import type { Catalogue } from '@pledge/core'
import type { FastifyPluginAsync } from 'fastify'
import { todayOf, told, type AppContext } from '../../context.js'
import { serve } from '../../plugins/serve.js'
import type { JudgedRow } from './answer.js'
import { JudgedRows } from './judgedRows.js'

/** Rows are looked at so often, so that nobody waits for the first look after a start or at the turn of a day. */
const LOOK_SECONDS = 60

/** Open episodes, those that need somebody first. Mounted at `/api/caseload`. */
export const caseload: FastifyPluginAsync<AppContext> = async (app, context) => {
  const { data, clock } = context
  const judged = new JudgedRows(data)
  const rowsNow = (catalogue: Catalogue) =>
    judged.current({ catalogue, today: todayOf(context), now: clock.now() })

  const look = async () => {
    try {
      await rowsNow(await app.catalogueNow())
    } catch (error) {
      app.log.warn(error)
    }
  }
  let looking: NodeJS.Timeout
  app.addHook('onListen', async () => {
    looking = setInterval(() => void look(), LOOK_SECONDS * 1000)
    void look()
  })
  app.addHook('onClose', async () => {
    clearInterval(looking)
    await judged.close()
  })

  serve(app, 'caseload', async ({ request, query: { whose, text, rows } }) => {
    const [all, names] = await Promise.all([rowsNow(request.catalogue), data.users.names()])
    const me = request.me().id
    const nameOf = ({ therapistId }: JudgedRow) => names.get(therapistId) ?? ''
    const wanted = text.toLowerCase()
    const isAsked = (row: JudgedRow) =>
      (whose === 'all' || row.therapistId === me) &&
      (wanted === '' ||
        `${row.patient} ${row.condition} ${row.phase?.name ?? ''} ${nameOf(row)}`
          .toLowerCase()
          .includes(wanted))
    const found = all.filter(isAsked)
    await data.journal.note(told(context, request, 'caseload.read'), null)
    return {
      today: todayOf(context),
      total: found.length,
      urgent: found.filter(({ attention }) => attention.length > 0).length,
      cases: found.slice(0, rows).map((row) => ({ ...row, therapist: nameOf(row) })),
    }
  })
}
