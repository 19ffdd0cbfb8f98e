import { linkMail } from "./linkMail";

jest.mock("@/server/passwords", () => ({ LINK_HOURS: 72 }));

const link = { userId: "1", email: "wren@mail.example", name: "Wren", studioName: "The Tide Room" };
const url = "https://studio.example/link/abc";

test("an invitation says who invited and to what, and nothing of a password they do not have", () => {
  const mail = linkMail({ ...link, kind: "invitation" }, url, "Maren");
  expect(mail).toMatchObject({ to: "wren@mail.example", subject: "Your place at The Tide Room" });
  expect(mail.text).toMatch(/^Wren,\n\nMaren added you to The Tide Room/);
  expect(mail.text).toContain(`\n\n${url}\n\n`);
  expect(mail.text).toMatch(/works once, and for 72 hours/);
  expect(mail.text).not.toMatch(/password you have/);
});

test("a reset says who made it, or that it was asked for, and that doing nothing changes nothing", () => {
  const made = linkMail({ ...link, kind: "reset" }, url, "Maren");
  const asked = linkMail({ ...link, kind: "reset" }, url, null);
  expect(made.text).toMatch(/Maren made you a link/);
  expect(asked.text).toMatch(/Somebody, most likely you, asked/);
  for (const { text, subject } of [made, asked]) {
    expect(subject).toBe("A new password for The Tide Room");
    expect(text).toMatch(/password you have holds until you choose another/);
  }
});
