/** Stands for the parts of the PDF package that draw web pages: here pages are drawings, and nothing asks for them. */
export default null;
