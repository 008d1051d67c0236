import { json } from '$lib/server/http';
import { openApiDocument } from '$lib/server/openapi';
import packageInfo from '../../../../../package.json';

export const GET = (): Response => json(openApiDocument(packageInfo.version));
