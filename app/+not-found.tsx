export { NotFoundScreen as default } from '@/screens/shell/NotFoundScreen';
