export { FORMS, growth, type Form } from "./catalogue";
export { putForm } from "./put";
