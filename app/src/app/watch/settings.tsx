export { WatchSettingsScreen as default } from '../../features/watch/WatchSettingsScreen';
