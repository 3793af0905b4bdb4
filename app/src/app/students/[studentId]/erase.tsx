export { EraseScreen as default } from '../../../features/erasure/EraseScreen';
