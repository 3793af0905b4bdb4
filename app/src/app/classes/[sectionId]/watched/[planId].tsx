export { WatchedScreen as default } from '../../../../features/observation/lazyPanels';
