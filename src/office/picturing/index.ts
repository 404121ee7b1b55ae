/** Pictures of this device: its camera and its screen; and those of people whom nobody plays. */
export { drawPicture, type DrawnPicture } from './drawPicture';
export { canShareScreen, openCamera, openScreen, pictureFaultOf, type PictureFault } from './openPictures';
export { canUndock, undock } from './undock';
