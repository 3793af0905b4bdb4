export { WeatherScreen as default } from '../../../features/attendance/checkIn/WeatherScreen';
