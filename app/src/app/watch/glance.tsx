export { GlanceScreen as default } from '../../features/watch/GlanceScreen';
