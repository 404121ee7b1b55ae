/** What browsers and the office say to each other where the office forwards their voices and pictures. */
export {
  cameraSizes,
  layout,
  officeEnd,
  toOfficeSchema,
  type CameraSize,
  type FromOffice,
  type PictureOf,
  type ToOffice,
  type Want,
} from './messages';
