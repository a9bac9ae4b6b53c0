import { askBlankSheet } from '@/features/paper/server';
import { route } from '@/platform/route';
import { isId } from '@/platform/shape';

/** The blank bench sheet of a model, to print. */
export const GET = route({ permission: 'bench', name: '/paper/[model]', transaction: false }, async ({ params, request }) => {
  const assetId = new URL(request.url).searchParams.get('asset') ?? '';
  const sheet = isId(params.model) ? await askBlankSheet({ modelId: params.model, ...(isId(assetId) ? { assetId } : {}) }) : null;
  return sheet
    ? new Response(new Uint8Array(sheet.bytes), {
        headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${sheet.name}"` },
      })
    : Response.json({ ok: false, code: 'noSheet', message: 'There is no sheet for this model.', fields: {} }, { status: 404 });
});
