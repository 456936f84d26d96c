import { openApi } from '@/services/programs/openapi';
import product from '../../../../package.json' with { type: 'json' };

export const dynamic = 'force-static';

/** The description of the interface (OpenAPI 3.1). It is public: there is nothing of anyone in it. */
export const GET = () => Response.json(openApi(product.version));
