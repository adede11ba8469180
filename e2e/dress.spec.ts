import { expect, test } from "@playwright/test";
import { choose, openDemo, startShoot } from "./shoot";

test("changing the jacket re-ranks and takes the chosen place off the board", async ({ page }) => {
  const id = await startShoot(page, "Jacket");
  await page.goto(`/shoots/${id}/dress`);
  await page.getByRole("button", { name: "Add a wearer" }).click();
  await page.getByRole("button", { name: "Put a layer over it" }).click();
  const layer = page.getByRole("group", { name: "Layer 2" });
  await choose(page, "Garment", "jacket with lapels", layer);
  await page.getByRole("radio", { name: /Right lapel/ }).click({ force: true });
  await expect(page.getByText("Chosen", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Take off layer 2" }).click();
  await expect(page.getByRole("main").getByRole("alert")).toContainText("gone with this outfit");
  await page.getByRole("link", { name: "Jacket" }).click();
  await expect(page.getByRole("article").getByRole("listitem").filter({ hasText: "Dress" })).toContainText(
    "must be redone",
  );
});

test("the form and the list choose the same place, and reasons open", async ({ page, request }) => {
  const id = await openDemo(request);
  await page.goto(`/shoots/${id}/dress?wearer=51ac0000-0000-4000-8000-000000000034`);
  await page.getByRole("button", { name: /^Rank 2:/ }).click();
  const name = (await page.getByRole("button", { name: /^Rank 2:/ }).getAttribute("aria-label"))!.replace(
    "Rank 2: ",
    "",
  );
  await expect(page.getByRole("radio", { name: new RegExp(name) })).toBeChecked();
  await page.getByRole("button", { name: /^Why:/ }).click();
  await expect(page.getByText(/Level swings/)).toBeVisible();
  await page.getByRole("button", { name: /^Ruled out:/ }).click();
  await expect(page.getByText("There is no tie.").first()).toBeVisible();
});
