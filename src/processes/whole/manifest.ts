import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as yup from 'yup';

export const FORM = 'werkbank-house/1';
export const MANIFEST = 'manifest.json';

const SHAPE = yup.object({
  form: yup.string().oneOf([FORM]).required(),
  exportedAt: yup.string().required(),
  migrations: yup.array().of(yup.string().required()).required(),
  tables: yup
    .array()
    .of(
      yup.object({
        name: yup
          .string()
          .matches(/^[a-z_]+$/)
          .required(),
        file: yup.string().required(),
        rows: yup.number().integer().min(0).required(),
      }),
    )
    .required(),
  files: yup.object().required(),
});
/** What a whole house is made of: its tables with their rows, and the SHA-256 of each file. */
export type Manifest = Omit<yup.InferType<typeof SHAPE>, 'files'> & { files: Record<string, string> };
/** Errors: ValidationError naming what is no such manifest. */
export const readManifest = (given: unknown): Manifest => SHAPE.validateSync(given) as Manifest;

export async function sha256OfFile(path: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
}
