import { chromium } from "@playwright/test";
const base = "http://127.0.0.1:3310";
const b = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu", "--disable-background-networking"] });
const [who, path, file, size = "1280x800"] = process.argv.slice(2);
const [width, height] = size.split("x").map(Number);
const c = await b.newContext({ viewport: { width, height } }); const p = await c.newPage();
p.on("console", (m) => m.type() === "error" && console.log("CONSOLE", m.text().slice(0, 300)));
if (who !== "-") { await p.goto(base + "/sign-in"); await p.getByLabel("E-mail").fill(who); await p.getByLabel("Password").fill("otter-valley-demo"); await p.getByRole("button", { name: "Sign in", exact: true }).click(); await p.waitForURL(/today/); }
await p.goto(base + path); await p.waitForTimeout(1500); await p.screenshot({ path: file, fullPage: process.argv[6] === "full" });
await b.close();
