export { FORMS, growth, type Form } from "./catalogue";
export { formula, given } from "./form";
export { putForm } from "./put";
