import { expect, it } from "vitest";
import { Option, OptionGroup, optionsIn } from "./OptionList";

it("reads options however they stand: alone, in lists, in groups, of several words", () => {
  const rows = [
    { id: 3, name: "Ice" },
    { id: 4, name: "Dust" },
  ];
  const found = optionsIn(
    <>
      <Option value="">nothing</Option>
      {rows.map((row) => (
        <Option key={row.id} value={row.id}>
          {row.id}, {row.name}
        </Option>
      ))}
      <OptionGroup label="Pans">
        <Option value="a">Square</Option>
      </OptionGroup>
      {false}
      <Option value="x" disabled>
        never
      </Option>
    </>,
  );
  expect(found.map(({ value, text, group }) => [value, text, group])).toEqual([
    ["", "nothing", undefined],
    ["3", "3, Ice", undefined],
    ["4", "4, Dust", undefined],
    ["a", "Square", "Pans"],
  ]);
});
