import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { bin, ensureModules, giveUp, root, run, start, stopProcess, tsx, Unable } from "./lib/system.mjs";

const PARTS = ["web", "jobs"];
const web = join(root, "web");

/** How each part is started, on the settings of the environment. */
const COMMANDS = {
  web: [bin("next"), ["start", "-p", process.env.PORT ?? "4680", "-H", process.env.HOSTNAME_TO_BIND ?? "127.0.0.1"]],
  jobs: tsx("jobs/run.tsx"),
};

// npm run start [-- web | -- jobs]: the application on the settings of the environment, without the demo. A stop lets what runs come to its
// end; where one part ends by itself the other is stopped, and whoever watches starts both anew.
async function main() {
  const [part] = process.argv.slice(2);
  if (part !== undefined && !PARTS.includes(part))
    throw new Unable(`Which part? npm run start, or -- ${PARTS.join(" or -- ")}`);
  ensureModules();
  const env = { ...process.env, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" };
  const [node, args] = tsx("observe/check.ts");
  if ((await run(node, args, { cwd: web, env })) !== 0) process.exit(1);
  await ensureBuild();
  const running = (part ? [part] : PARTS).map((name) => {
    const [command, commandArgs] = COMMANDS[name];
    return { name, child: start(command, commandArgs, { cwd: web, env }) };
  });
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    await Promise.all(running.map(({ child }) => stopProcess(child)));
    process.exit(code);
  };
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => void stop(0));
  for (const { name, child } of running)
    child.once("exit", (code) => {
      if (stopping) return;
      console.error(`The ${name} part stopped (${code}).`);
      void stop(1);
    });
}

main().catch(giveUp);
