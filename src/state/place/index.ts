/** Where phones are, so that help is sent there. */
export { selectPlaceOfPhone, setPlace, stillThere } from './place';
