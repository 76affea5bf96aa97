export { keepForecasts, toldForecasts } from './forecastRepo.ts';
export { progressRoutes } from './routes.ts';
