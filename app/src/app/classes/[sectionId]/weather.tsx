export { WeatherScreen as default } from '../../../features/checkIn/WeatherScreen';
