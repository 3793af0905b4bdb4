export { EraseScreen as default } from '../../../features/keeping/erasure/EraseScreen';
