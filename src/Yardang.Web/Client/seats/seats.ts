// Who sits where: pick somebody, then a seat; by hand, by keyboard, or dragged. Two who want each other's seat change places.

import Alpine from '@alpinejs/csp';
import { fill, pageData } from '../page-data';

interface SeatsData {
  readonly rows: number;
  readonly columns: number;
  readonly most: number;
  readonly people: readonly { readonly number: number; readonly name: string }[];
  readonly seats: readonly { readonly number: number; readonly row: number; readonly column: number }[];
  readonly texts: { readonly empty: string; readonly seat: string };
}

interface Place {
  readonly key: string;
  readonly number: number | null;
  readonly name: string;
  readonly label: string;
  readonly isPicked: boolean;
}

Alpine.data('seats', () => {
  const data = pageData<SeatsData>();
  const { people, texts, most } = data;
  /** By "row,column". */
  const seated = new Map(data.seats.map((s) => [`${s.row},${s.column}`, s.number]));
  const within = (n: string | number) => Math.min(most, Math.max(1, Math.round(Number(n)) || 1));

  return {
    rows: data.rows,
    columns: data.columns,
    most,
    picked: null as number | null,
    isSeated: false,
    places: [] as Place[],
    standing: [] as { number: number; name: string }[],
    gridStyle: {},
    planText: '',

    init(): void {
      this.refresh();
    },

    refresh(): void {
      this.places = [];
      for (let row = 1; row <= this.rows; row++) {
        for (let column = 1; column <= this.columns; column++) this.places.push(this.placeAt(row, column));
      }
      const sitting = new Set(seated.values());
      this.standing = people.filter((p) => !sitting.has(p.number));
      this.isSeated = this.picked !== null && sitting.has(this.picked);
      this.gridStyle = { gridTemplateColumns: `repeat(${this.columns}, minmax(0, 1fr))` };
      this.planText = [`${this.rows}x${this.columns}`, ...[...seated].map(([at, n]) => `${n}:${at}`)].join(';');
    },

    placeAt(row: number, column: number): Place {
      const key = `${row},${column}`;
      const number = seated.get(key) ?? null;
      const name = people.find((p) => p.number === number)?.name ?? '';
      const label = fill(texts.seat, row, column, name || texts.empty);
      return { key, number, name, label, isPicked: number !== null && number === this.picked };
    },

    pick(number: number): void {
      this.picked = this.picked === number ? null : number;
      this.refresh();
    },

    drag(place: Place): void {
      this.picked = place.number;
    },

    /** Seats who is picked; without anybody picked, picks who sits there. */
    press(place: Place): void {
      if (this.picked === null || this.picked === place.number) {
        if (place.number !== null) this.pick(place.number);
        return;
      }
      const from = [...seated].find(([, n]) => n === this.picked)?.[0];
      if (from) seated.delete(from);
      if (from && place.number !== null) seated.set(from, place.number);
      seated.set(place.key, this.picked);
      this.picked = null;
      this.refresh();
    },

    stand(): void {
      const from = [...seated].find(([, n]) => n === this.picked)?.[0];
      if (from) seated.delete(from);
      this.picked = null;
      this.refresh();
    },

    /** Whose seat is no longer there stands. */
    resize(rows: string | number, columns: string | number): void {
      [this.rows, this.columns] = [within(rows), within(columns)];
      for (const at of [...seated.keys()]) {
        const [row, column] = at.split(',').map(Number) as [number, number];
        if (row > this.rows || column > this.columns) seated.delete(at);
      }
      this.refresh();
    },

    fillAll(): void {
      seated.clear();
      people.slice(0, this.rows * this.columns).forEach(({ number }, i) => {
        seated.set(`${Math.floor(i / this.columns) + 1},${(i % this.columns) + 1}`, number);
      });
      this.refresh();
    },

    emptyAll(): void {
      seated.clear();
      this.refresh();
    },
  };
});
