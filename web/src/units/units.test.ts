import { describe, expect, it } from "vitest";
import { aboutText, clockText, timeText } from "./time";
import {
  figure,
  figureOfLength,
  fineMass,
  length,
  mass,
  mmIn,
  numberIn,
  temperature,
  type Units,
} from "./units";

const SI: Units = { mass: "g", length: "mm", temperature: "C", measure: "metric" };
const US: Units = { mass: "oz", length: "in", temperature: "F", measure: "us" };

describe("figures", () => {
  it.each([
    ["12,5", 12.5],
    [" 7 ", 7],
    ["", undefined],
    ["12 g", undefined],
    ["-3", -3],
  ])("reads %s as typed", (text, expected) => expect(numberIn(text)).toBe(expected));

  it.each([
    [390.4, "390 g", "13.8 oz"],
    [9.96, "10 g", "0.35 oz"],
    [4.25, "4.3 g", "0.15 oz"],
    [4000, "4000 g", "141 oz"],
  ])("shows %d g in one's own unit", (grams, si, us) => {
    expect(mass(grams, SI)).toBe(si);
    expect(mass(grams, US)).toBe(us);
  });

  it("shows lengths in one's own unit, and takes them as fine as a hundredth of a millimetre", () => {
    expect(length(16, SI)).toBe("16 mm");
    expect(length(12.7, US)).toBe("0.5 in");
    expect(mmIn(0.63, US)).toBe(16);
    expect(mmIn(2.25, SI)).toBe(2.25);
    expect(figureOfLength(mmIn(0.07, US), US)).toBe("0.07");
  });

  it("shows a piece in tenths of a gram", () => {
    expect(fineMass(12.34, SI)).toBe("12.3 g");
    expect(fineMass(12.34, US)).toBe("0.44 oz");
  });

  it("shows temperatures whole in °F", () => {
    expect(temperature(-18, US)).toBe("0 °F");
    expect(temperature(31.55, SI)).toBe("31.6 °C");
    expect(figure(0.126)).toBe("0.13");
  });
});

describe("times", () => {
  it.each([
    [59.6, "1 min"],
    [190, "3 min 10 s"],
    [3599, "60 min"],
    [7500, "2 h 5 min"],
    [14400, "4 h"],
  ])("tells %d s", (seconds, said) => expect(timeText(seconds)).toBe(said));

  it("is no stopwatch where it forecasts, and one where it is", () => {
    expect(aboutText(63)).toBe("1 min 5 s");
    expect(aboutText(790)).toBe("13 min");
    expect(clockText(3725)).toBe("1:02:05");
  });
});
