export { LooseEndsScreen as default } from '@/screens/places/LooseEndsScreen';
