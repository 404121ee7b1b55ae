/** Where phones are, so that help is sent there. */
export { asksPlace, selectPlaceOfPhone, setPlace, stillThere } from './place';
