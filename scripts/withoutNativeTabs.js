/** Stands for the tabs that telephones' own systems draw: nothing here is one. */
exports.isNativeTabTrigger = () => false;
