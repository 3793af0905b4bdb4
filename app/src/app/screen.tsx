export { ScreenPage as default } from '../features/observation/lazyPanels';
