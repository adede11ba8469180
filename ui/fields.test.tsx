/** @jest-environment jsdom */
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useState } from "react";
import { I18nProvider } from "react-aria-components";
import { DateField } from "./DateField";
import { Faults } from "./faults";
import { NumberField, UNITS } from "./NumberField";
import { Select } from "./Select";
import { TextField } from "./TextField";
import { Tick } from "./Ticks";
import { TimeField } from "./TimeField";

afterEach(cleanup);

describe("a number", () => {
  function Width({ onChange }: { onChange: (value: number) => void }) {
    const [value, setValue] = useState(2);
    return (
      <NumberField
        label="Width"
        value={value}
        minimum={1}
        maximum={10}
        shown={UNITS.foot}
        onChange={(next) => (setValue(next), onChange(next))}
      />
    );
  }

  test("is typed in the unit that is shown and kept in metres; what is out of range is refused with what is allowed", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(<Width onChange={changed} />);
    const field = screen.getByRole("textbox", { name: "Width" });
    expect(field).toHaveProperty("value", "6.6");
    await user.clear(field);
    await user.type(field, "10");
    expect(changed).toHaveBeenLastCalledWith(expect.closeTo(3.048, 6));
    await user.clear(field);
    await user.type(field, "400");
    expect(screen.getByText("Width: 3.3 to 32.8 ft.")).toBeTruthy();
    // Four feet were all right; forty and four hundred are not taken.
    expect(changed).toHaveBeenLastCalledWith(expect.closeTo(4 * 0.3048, 6));
    expect(field).toHaveProperty("value", "400");
  });

  test("steps by the arrow keys, not beyond its range", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(<Width onChange={changed} />);
    await user.click(screen.getByRole("textbox", { name: "Width" }));
    await user.keyboard("{ArrowUp}");
    expect(changed).toHaveBeenLastCalledWith(expect.closeTo(7.1 * 0.3048, 1));
    await user.keyboard("{ArrowDown>60/}");
    expect(changed).toHaveBeenLastCalledWith(expect.closeTo(1, 1));
  });

  test("a comma is a decimal point, and words are no number", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(<Width onChange={changed} />);
    const field = screen.getByRole("textbox", { name: "Width" });
    await user.clear(field);
    await user.type(field, "7,5");
    expect(changed).toHaveBeenLastCalledWith(expect.closeTo(7.5 * 0.3048, 6));
    await user.clear(field);
    await user.type(field, "wide");
    expect(screen.getByText(/^Width: a number/)).toBeTruthy();
  });

  test("in a table its label is for those who do not see the head of the column", () => {
    render(
      <NumberField
        isPlain
        label="Owned: cable"
        value={1}
        minimum={0}
        maximum={9}
        shown={UNITS.days}
        onChange={jest.fn()}
      />,
    );
    expect(screen.getByRole("textbox", { name: "Owned: cable" })).toBeTruthy();
    expect(screen.queryByText("Owned: cable")).toBeNull();
  });
});

describe("one of a list", () => {
  const MANY = Array.from({ length: 20 }, (_, at) => ({ value: `v${at}`, name: `garment ${at}` }));
  const options = [...MANY, { value: "tux", name: "dinner jacket", also: "tuxedo black tie" }];

  test("a short one is chosen by a press; the name of what is chosen stands on it", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(<Select label="Walls" value="v0" options={MANY.slice(0, 3)} onChange={changed} />);
    expect(screen.getByRole("button", { name: /Walls/ }).textContent).toContain("garment 0");
    await user.click(screen.getByRole("button", { name: /Walls/ }));
    expect(screen.queryByRole("searchbox")).toBeNull();
    await user.click(screen.getByRole("option", { name: "garment 2" }));
    expect(changed).toHaveBeenCalledWith("v2");
  });

  test("a long one is searched, by other words too", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(<Select label="Garment" value="v0" options={options} onChange={changed} />);
    await user.click(screen.getByRole("button", { name: /Garment/ }));
    await user.type(screen.getByRole("searchbox"), "TIE tux");
    expect(screen.getAllByRole("option").map(({ textContent }) => textContent)).toEqual(["dinner jacket"]);
    await user.click(screen.getByRole("option"));
    expect(changed).toHaveBeenCalledWith("tux");
  });

  test("what is not there says so", async () => {
    const user = userEvent.setup();
    render(<Select label="Garment" value="v0" options={options} onChange={jest.fn()} />);
    await user.click(screen.getByRole("button", { name: /Garment/ }));
    await user.type(screen.getByRole("searchbox"), "kimono");
    expect(screen.queryAllByRole("option", { name: /garment/ })).toEqual([]);
    expect(screen.getByText("No such entry.")).toBeTruthy();
  });

  test("what the server refused stands at its field", () => {
    render(
      <Faults value={new Map([["Walls", "Walls: one of brick."]])}>
        <Select label="Walls" value="v0" options={MANY.slice(0, 3)} onChange={jest.fn()} />
      </Faults>,
    );
    expect(screen.getByText("Walls: one of brick.")).toBeTruthy();
  });
});

describe("a day and a time", () => {
  test("a day is typed by its parts, in the order of the country", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(
      <I18nProvider locale="en-GB">
        <DateField label="First day" value="2027-05-11" onChange={changed} />
      </I18nProvider>,
    );
    const parts = screen.getAllByRole("spinbutton");
    expect(parts.map(({ textContent }) => textContent)).toEqual(["11", "05", "2027"]);
    await user.click(parts[0]!);
    await user.keyboard("{ArrowUp}");
    expect(changed).toHaveBeenLastCalledWith("2027-05-12");
  });

  test("a time has 24 hours", async () => {
    const user = userEvent.setup();
    const changed = jest.fn();
    render(
      <I18nProvider locale="en-GB">
        <TimeField label="Starts at" value="09:30" onChange={changed} />
      </I18nProvider>,
    );
    const [hour] = screen.getAllByRole("spinbutton");
    await user.click(hour!);
    await user.keyboard("14");
    expect(changed).toHaveBeenLastCalledWith("14:30");
  });
});

test("a tick in a table has its name, though nobody sees it", async () => {
  const user = userEvent.setup();
  const changed = jest.fn();
  render(<Tick isPlain label="Packed: cable" isOn={false} onChange={changed} />);
  await user.click(screen.getByRole("checkbox", { name: "Packed: cable" }));
  expect(changed).toHaveBeenCalledWith(true);
});

test("a time that is refused stays typed and is not taken", async () => {
  const user = userEvent.setup();
  const changed = jest.fn();
  render(
    <I18nProvider locale="en-GB">
      <TimeField
        label="Day to"
        value="18:00"
        fault={(text) => (text > "08:00" ? null : "The day must end after it begins.")}
        onChange={changed}
      />
    </I18nProvider>,
  );
  const [hour] = screen.getAllByRole("spinbutton");
  await user.click(hour!);
  await user.keyboard("07");
  expect(screen.getByText("The day must end after it begins.")).toBeTruthy();
  expect(changed).not.toHaveBeenCalledWith("07:00");
  expect(hour!.textContent).toBe("07");
});

describe("a text that is written in its own way", () => {
  function Frequency() {
    const [mhz, setMhz] = useState(518);
    return (
      <>
        <TextField
          isFormatted
          label="MHz"
          value={mhz.toFixed(3)}
          fault={(text) => (Number(text) >= 500 ? null : "Too low.")}
          onChange={(text) => setMhz(Number(text))}
        />
        <output>{mhz}</output>
      </>
    );
  }
  const field = () => screen.getByLabelText<HTMLInputElement>("MHz");
  const known = () => screen.getByRole("status").textContent;

  test("stays as it is typed until the field is left, and is known at once", async () => {
    render(<Frequency />);
    await userEvent.clear(field());
    await userEvent.type(field(), "545.5");
    expect(field().value).toBe("545.5");
    expect(known()).toBe("545.5");
    await userEvent.tab();
    expect(field().value).toBe("545.500");
  });

  test("what is refused stays typed when the field is left, with the reason, and nothing is passed on", async () => {
    render(<Frequency />);
    await userEvent.clear(field());
    await userEvent.type(field(), "12");
    await userEvent.tab();
    expect(field().value).toBe("12");
    expect(screen.getByText("Too low.")).toBeTruthy();
    expect(known()).toBe("518");
  });
});
