import { blankSheetPdf } from '@/features/paper/server';
import { route } from '@/platform/route';

/** The blank bench sheet of a model, to print. */
export const GET = route({ permission: 'bench', name: '/paper/[model]' }, async ({ tx, now, params, request }) => {
  const uuid = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
  const assetId = new URL(request.url).searchParams.get('asset') ?? '';
  const sheet = uuid.test(params.model!)
    ? await blankSheetPdf(tx, { modelId: params.model!, now, ...(uuid.test(assetId) ? { assetId } : {}) })
    : null;
  return sheet
    ? new Response(new Uint8Array(sheet.bytes), {
        headers: { 'content-type': 'application/pdf', 'content-disposition': `inline; filename="${sheet.name}"` },
      })
    : Response.json({ ok: false, code: 'noSheet', message: 'There is no sheet for this model.', fields: {} }, { status: 404 });
});
