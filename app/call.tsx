export { CallRouteScreen as default } from '@/screens/call/CallRouteScreen';
