import { mulberry32, standardNormal } from "../units";
import { fitHazard } from "./hazardFit";

/** Drawn fills: clients and visits apart by so much on the log, bonds lost 0.012 a day, 1.6 times where the column says so. */
function drawn({ clients = 120, each = 8, clientSd = 0, visitSd = 0, seed = 1 }) {
  const random = mulberry32(seed);
  const normal = () => standardNormal(random);
  const drawnOwn = Array.from({ length: clients }, () => clientSd * normal());
  const mean = drawnOwn.reduce((sum, value) => sum + value, 0) / clients;
  const own = drawnOwn.map((value) => value - mean);
  const rows = Array.from({ length: clients * each }, (_, i) => {
    const [client, days, worn, is] = [
      i % clients,
      12 + Math.floor(random() * 15),
      120 + Math.floor(random() * 100),
      Number(random() < 0.4),
    ];
    const natural = 1 - days / 90;
    const on = natural * Math.exp(-days * Math.exp(Math.log(0.012) + is * Math.log(1.6) + own[client]! + visitSd * normal()));
    let left = 0;
    for (let lash = 0; lash < worn; lash++) left += Number(random() < on);
    return { client, days, worn, is, natural, left };
  });
  const of = (name: keyof (typeof rows)[number]) => Float64Array.from(rows, (row) => row[name]);
  return {
    counts: {
      worn: of("worn"),
      left: of("left"),
      days: of("days"),
      natural: of("natural"),
      client: Int32Array.from(rows, ({ client }) => client),
      clients,
    },
    columns: [Float64Array.from(rows, () => 1), of("is")],
  };
}
const fit = (of: Parameters<typeof drawn>[0], options = {}) => {
  const { counts, columns } = drawn(of);
  return fitHazard(counts, columns, options);
};

test("what was drawn is found: the loss a day, the column's ratio, how far clients and visits are apart", () => {
  const { beta, clientSd, visitSd } = fit({ clientSd: 0.4, visitSd: 0.3 });
  expect(Math.exp(beta[0]!)).toBeCloseTo(0.012, 3);
  expect(Math.exp(beta[1]!)).toBeCloseTo(1.6, 1);
  expect(Math.abs(clientSd - 0.4)).toBeLessThan(0.07);
  expect(Math.abs(visitSd - 0.3)).toBeLessThan(0.03);
});
test("clients all alike, visits all alike: neither is made up", () => {
  const { clientSd, visitSd, scatter } = fit({});
  expect(clientSd).toBeLessThan(0.05);
  expect(visitSd).toBeLessThan(0.05);
  expect(Math.max(...scatter)).toBeLessThan(1.1);
  expect(Math.min(...scatter)).toBeGreaterThanOrEqual(1);
});
test("a visit's own noise widens what is told, as much as fewer fills would", () => {
  const width = (visitSd: number, mayScatter = true) => Math.sqrt(fit({ clientSd: 0.3, visitSd }, { mayScatter }).covariance[1]![1]!);
  expect(width(0.3)).toBeGreaterThan(1.6 * width(0));
  // Left out of the reckoning it is not seen.
  expect(width(0.3, false)).toBeLessThan(1.1 * width(0, false));
});
test("the same fills again with spread and noise given say the same", () => {
  const { counts, columns } = drawn({ clientSd: 0.3, visitSd: 0.2 });
  const found = fitHazard(counts, columns);
  const again = fitHazard(counts, columns, { given: found });
  again.beta.forEach((value, j) => expect(Math.abs(value - found.beta[j]!)).toBeLessThan(0.005));
  expect(again.clientSd).toBe(found.clientSd);
  expect(Math.sqrt(again.covariance[1]![1]!) / Math.sqrt(found.covariance[1]![1]!)).toBeCloseTo(1, 2);
});
test("each client's own deviation is drawn in where her fills are few", () => {
  const spreadOf = (each: number) => {
    const { ofClient } = fit({ clientSd: 0.4, visitSd: 0.3, each, clients: 60 }, { spread: { fixed: 0.4 } });
    return Math.sqrt(ofClient.reduce((sum, value) => sum + value ** 2, 0) / ofClient.length);
  };
  expect(spreadOf(2)).toBeLessThan(spreadOf(12));
});
