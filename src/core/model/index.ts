export { modelOf, type Model } from './model';
