/** Stands for a style sheet where tests draw without a browser. */
export default undefined;
