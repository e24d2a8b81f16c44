import { definePreset } from "@primeuix/themes";
import base from "@primeuix/themes/nora/base";
import badge from "@primeuix/themes/nora/badge";
import button from "@primeuix/themes/nora/button";
import checkbox from "@primeuix/themes/nora/checkbox";
import datatable from "@primeuix/themes/nora/datatable";
import dialog from "@primeuix/themes/nora/dialog";
import iconfield from "@primeuix/themes/nora/iconfield";
import inputtext from "@primeuix/themes/nora/inputtext";
import listbox from "@primeuix/themes/nora/listbox";
import menu from "@primeuix/themes/nora/menu";
import paginator from "@primeuix/themes/nora/paginator";
import popover from "@primeuix/themes/nora/popover";
import progressbar from "@primeuix/themes/nora/progressbar";
import radiobutton from "@primeuix/themes/nora/radiobutton";
import ripple from "@primeuix/themes/nora/ripple";
import select from "@primeuix/themes/nora/select";
import slider from "@primeuix/themes/nora/slider";
import textarea from "@primeuix/themes/nora/textarea";
import toast from "@primeuix/themes/nora/toast";
import virtualscroller from "@primeuix/themes/nora/virtualscroller";

/** The tokens of the components that are used here: those of all eighty would be a fifth of the first page's script. */
const used = {
  ...base,
  components: {
    ...{
      badge,
      button,
      checkbox,
      datatable,
      dialog,
      iconfield,
      inputtext,
      listbox,
      menu,
      paginator,
      popover,
      progressbar,
    },
    ...{ radiobutton, ripple, select, slider, textarea, toast, virtualscroller },
  },
};

const jade = {
  50: "#e3f2ee",
  100: "#c8e6dd",
  200: "#9dd2c3",
  300: "#66b7a3",
  400: "#2f9882",
  500: "#0c7a66",
  600: "#0a6a59",
  700: "#08594b",
  800: "#06483c",
  900: "#04362d",
  950: "#02211c",
};

/** A message on paper, with a line of its meaning's colour at its side. */
const message = (edge: string) => ({
  background: "var(--paper)",
  borderColor: `var(${edge})`,
  color: "var(--ink)",
  detailColor: "var(--ink-2)",
  shadow: "var(--float)",
  closeButton: { hoverBackground: "var(--ground)", focusRing: { color: "var(--jade)", shadow: "none" } },
});
const messages = {
  info: message("--jade"),
  secondary: message("--ink-3"),
  warn: message("--amber"),
  error: message("--brick"),
};

/**
 * A sentence of what is wrong, in the text itself: of all that the library's messages can be nothing else is used, so
 * only what this needs of its tokens is here.
 */
const problem = {
  root: { borderRadius: "0", borderWidth: "0", transitionDuration: "{transition.duration}" },
  content: { padding: "0", gap: "0", sm: { padding: "0" } },
  text: { fontSize: "0.87rem", fontWeight: "inherit", sm: { fontSize: "0.87rem" } },
  simple: { content: { padding: "0" } },
};
const problemColours = { error: { simple: { color: "var(--brick)" } } };

/**
 * Buttons beside text: a word that can be pressed (`link`), a sign, and any other text (`text`), each as large as what
 * stands in it.
 */
const buttons = `
  .p-button-link, .p-button-text {
    display: inline-block;
    border: 0;
    padding: 0;
    font: inherit;
    color: inherit;
    overflow: visible;
    user-select: auto;
  }
  .p-button-link {
    padding: 2px 4px;
    margin: -2px -4px;
    color: var(--jade);
    font-weight: 600;
    font-size: 0.87rem;
  }
  .p-button-link:not(:disabled):hover, .p-button-link:not(:disabled):active {
    border: 0;
    color: var(--jade);
    text-decoration: underline;
  }
  .p-button-text:not(:disabled):hover, .p-button-text:not(:disabled):active {
    border: 0;
    background: none;
    color: inherit;
  }
  .p-button-text.icon-button {
    display: inline-grid;
    place-items: center;
    padding: 3px;
    border-radius: 4px;
    color: var(--ink-2);
  }
  .p-button-text.icon-button:not(:disabled):hover {
    color: var(--jade);
    background: var(--jade-soft);
  }
  .p-button-text.icon-button:disabled, .p-button-link:disabled {
    opacity: 0.4;
  }
`;

/**
 * The component library dressed in the design's own tokens: jade for what can be pressed, hairlines, small corners, no
 * shadows but on what floats.
 */
export default {
  preset: definePreset(used, {
    components: {
      button: { css: buttons },
      message: { ...problem, colorScheme: { light: problemColours, dark: problemColours } },
      toast: { colorScheme: { light: messages, dark: messages } },
    },
    primitive: { borderRadius: { none: "0", xs: "3px", sm: "4px", md: "6px", lg: "8px", xl: "10px" } },
    semantic: {
      transitionDuration: "0.12s",
      focusRing: { width: "2px", style: "solid", color: "{primary.500}", offset: "2px" },
      primary: jade,
      formField: { borderRadius: "{border.radius.md}", paddingX: "0.625rem", paddingY: "0.375rem" },
      colorScheme: {
        light: {
          surface: {
            0: "#ffffff",
            50: "#f8fafb",
            100: "#f3f5f7",
            200: "#dfe3e8",
            300: "#c6cdd5",
            400: "#8791a0",
            500: "#6b7686",
            600: "#556070",
            700: "#3c4653",
            800: "#2a323d",
            900: "#1d2530",
            950: "#121820",
          },
          primary: {
            color: "{primary.500}",
            contrastColor: "#ffffff",
            hoverColor: "{primary.600}",
            activeColor: "{primary.700}",
          },
          text: { color: "#1d2530", mutedColor: "#556070" },
          formField: { background: "#ffffff", borderColor: "#8791a0", color: "#1d2530", placeholderColor: "#556070" },
        },
        dark: {
          surface: {
            0: "#ffffff",
            50: "#f3f5f7",
            100: "#dfe3e8",
            200: "#c3cbd5",
            300: "#a3aebb",
            400: "#8791a0",
            500: "#5d6979",
            600: "#42505f",
            700: "#2c3946",
            800: "#1f2a36",
            900: "#17212c",
            950: "#101820",
          },
          primary: { color: "#4cc0a6", contrastColor: "#06231d", hoverColor: "#6bd0b9", activeColor: "#8bdcc9" },
          text: { color: "#e8edf2", mutedColor: "#a9b4c1" },
          formField: { background: "#17212c", borderColor: "#5d6979", color: "#e8edf2", placeholderColor: "#a9b4c1" },
        },
      },
    },
  }),
  options: { darkModeSelector: "system", cssLayer: { name: "primevue", order: "reset, primevue" } },
};
