import { use } from "echarts/core";
import { LineChart } from "echarts/charts";
import { GraphicComponent } from "echarts/components";

// The graphs of data draw long lines, and marks in pixels.
use([LineChart, GraphicComponent]);

export { openChart } from "./chart";
