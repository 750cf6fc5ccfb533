import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { brotliCompressSync, constants } from 'node:zlib';

const built = fileURLToPath(new URL('../dist/app', import.meta.url));
const PACKED = /\.(js|css|html|svg|json|webmanifest)$/;
/** Too small to be worth a file of its own. */
const LEAST_BYTES = 800;

/** Packs the built files once and as small as brotli can, so that the server need not pack them anew for everyone. */
export function packBuild(root = built) {
  for (const name of readdirSync(root, { recursive: true })) {
    const path = join(root, name);
    if (!PACKED.test(name)) continue;
    const bytes = readFileSync(path);
    if (bytes.length < LEAST_BYTES) continue;
    const packed = brotliCompressSync(bytes, {
      params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length },
    });
    writeFileSync(`${path}.br`, packed);
  }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) packBuild();
