import { createServer } from "node:http";
import mysql from "mysql2/promise";

// Says of node 1, 2 or 3 whether it is in step with the cluster: 200 or 503. NODES are the addresses of all, with commas; PORT where it listens.
const CHECK_MS = 800;
const WANTED = { wsrep_local_state: "4", wsrep_cluster_status: "Primary", wsrep_ready: "ON" };
const nodes = (process.env.NODES ?? "")
  .split(",")
  .map((uri) => mysql.createPool({ uri, connectionLimit: 1, connectTimeout: CHECK_MS }));

async function isInStep(node) {
  const names = Object.keys(WANTED);
  const [rows] = await node.query({
    sql: "show global status where variable_name in (?)",
    values: [names],
    timeout: CHECK_MS,
  });
  return names.every((name) => rows.some((row) => row.Variable_name === name && row.Value === WANTED[name]));
}

createServer((request, answer) => {
  const node = nodes[Number(request.url?.slice(1)) - 1];
  const say = (status) => answer.writeHead(status, { connection: "close" }).end();
  if (!node) return say(404);
  // A node that cannot be asked is not in step, whatever the reason.
  isInStep(node).then(
    (is) => say(is ? 200 : 503),
    () => say(503),
  );
}).listen(Number(process.env.PORT), "127.0.0.1");
