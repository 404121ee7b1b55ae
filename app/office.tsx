export { OfficeScreen as default } from '@/screens/office/OfficeScreen';
