export { openApi } from './openApi.ts'
export { ROUTES, routeOf } from './routes.ts'
