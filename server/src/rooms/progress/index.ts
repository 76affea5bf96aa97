export { progressRoutes } from './routes.ts';
