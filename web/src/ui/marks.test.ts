import { expect, test } from "vitest";
import { readMarks, writtenMarks } from "./marks";

test("marks are a number and what it is called; a number alone is called by itself", () => {
  const marks = [
    { value: 0, text: "off" },
    { value: 0.562, text: "0 dB" },
    { value: 1, text: "1" },
  ];
  expect(readMarks(" 0 off;0.562  0 dB ; 1;")).toEqual(marks);
  expect(readMarks(writtenMarks(marks))).toEqual(marks);
  expect(readMarks("")).toEqual([]);
});

test("what does not begin with a number is no mark", () => {
  expect(readMarks("0 off; loud 1")).toBeNull();
});
