/** Packages without types of their own. */
declare module 'pdfmake/build/pdfmake.min.js';
declare module 'pdfmake/build/vfs_fonts.js';
