export { DialScreen as default } from '@/screens/dial/DialScreen';
