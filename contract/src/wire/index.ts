export {
  type AddressOf,
  type AnswerOf,
  API,
  type Args,
  type ArgsOf,
  type Asked,
  type Door,
  type Method,
  urlOf,
} from './address.ts';
export {
  type BodyOf,
  type Endpoint,
  type GivenBy,
  type ParamsOf,
  paramsOf,
  type QueryOf,
  secretSchema,
} from './endpoint.ts';
