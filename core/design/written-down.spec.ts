import * as z from 'zod';
import catalogueSchema from '../../docs/schema/catalogue.schema.json';
import designSchema from '../../docs/schema/design-file.schema.json';
import { CatalogueData } from '../catalogue/catalogue';
import { DesignFile } from './document';

/** What stands in docs/schema, as other programs read it. */
const written = (schema: z.ZodType) => JSON.parse(JSON.stringify(z.toJSONSchema(schema, { unrepresentable: 'any' }))) as object;

describe('the shapes of files', () => {
  it('are those that are written down: every field, bound and choice', () => {
    const { title: _d, ...design } = designSchema;
    const { title: _c, ...catalogue } = catalogueSchema;
    expect(written(DesignFile)).toEqual(design);
    expect(written(CatalogueData)).toEqual(catalogue);
  });
});
