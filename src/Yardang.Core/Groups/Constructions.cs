namespace Yardang.Core.Groups;

/// <summary>
/// Plans in which no two people meet twice, as mathematics knows them. People are 0, 1, 2 ...
/// </summary>
public static class Constructions
{
    /// <summary>A plan without a repeat; null if none of these constructions gives one.</summary>
    public static IReadOnlyList<int[][]>? Find(int people, int size, int lessons)
    {
        if (size < 2 || people % size != 0) return null;
        var groups = people / size;
        if (size == groups && lessons <= size + 1 && FiniteField.Of(size) is { } plane) return [.. Plane(plane).Take(lessons)];
        if (size <= groups && lessons <= groups && FiniteField.Of(groups) is { } field) return [.. Lines(field, size).Take(lessons)];
        return people == 15 && size == 3 && lessons <= 7 ? [.. Kirkman().Take(lessons)] : null;
    }

    /// <summary>
    /// The affine plane over a finite field of q elements: q × q people in groups of q, who meet everybody once in q + 1 lessons. A lesson is a class of
    /// parallel lines (Bose: On the application of the properties of Galois fields to the construction of hyper-Graeco-Latin squares, Sankhya 3, 1938).
    /// </summary>
    private static IEnumerable<int[][]> Plane(FiniteField f)
    {
        foreach (var lesson in Lines(f, f.Order)) yield return lesson;
        yield return [.. Enumerable.Range(0, f.Order).Select(x => Enumerable.Range(0, f.Order).Select(y => (x * f.Order) + y).ToArray())];
    }

    // The same with fewer columns: in lesson m, group c is the points of the line y = mx + c.
    private static IEnumerable<int[][]> Lines(FiniteField f, int columns) =>
        Enumerable.Range(0, f.Order).Select(m => Enumerable.Range(0, f.Order)
            .Select(c => Enumerable.Range(0, columns).Select(x => (x * f.Order) + f.Add(f.Times(m, x), c)).ToArray()).ToArray());

    /// <summary>
    /// Kirkman's schoolgirls: 15 people in threes over 7 lessons. The points and lines of the projective space PG(3, 2): three numbers from 1 to 15 are a
    /// line if their bitwise sum is 0; seven sets of five disjoint lines that share none are looked for one after the other.
    /// </summary>
    private static List<int[][]> Kirkman()
    {
        var lines = (from a in Enumerable.Range(1, 15) from b in Enumerable.Range(a + 1, 15 - a) let c = a ^ b where c > b select new[] { a - 1, b - 1, c - 1 }).ToList();
        var plan = new List<int[][]>();
        return FillLessons(plan, lines) ? plan : throw new InvalidOperationException("The space has such sets.");
    }

    private static bool FillLessons(List<int[][]> plan, List<int[]> lines) => lines.Count == 0 || FillLesson(plan, lines, []);

    private static bool FillLesson(List<int[][]> plan, List<int[]> lines, List<int[]> lesson)
    {
        if (lesson.Count == 5)
        {
            plan.Add([.. lesson]);
            if (FillLessons(plan, [.. lines.Except(lesson)])) return true;
            plan.RemoveAt(plan.Count - 1);
            return false;
        }

        // The first who has no group yet gets one.
        var next = Enumerable.Range(0, 15).First(p => !lesson.Exists(l => l.Contains(p)));
        foreach (var line in lines.Where(l => l.Contains(next) && !lesson.Exists(other => other.Intersect(l).Any())))
        {
            lesson.Add(line);
            if (FillLesson(plan, lines, lesson)) return true;
            lesson.RemoveAt(lesson.Count - 1);
        }

        return false;
    }

    /// <summary>The field of p or p^k elements, for the orders that classes come in.</summary>
    private sealed class FiniteField
    {
        private readonly int _p;
        private readonly int[] _modulus;

        private FiniteField(int p, int[] modulus) => (_p, _modulus, Order) = (p, modulus, (int)Math.Pow(p, Math.Max(1, modulus.Length)));

        public int Order { get; }

        // Each power's irreducible polynomial, without its leading term, lowest first: x^2 + x + 1, x^3 + x + 1, x^2 + 1 over 3, x^4 + x + 1.
        public static FiniteField? Of(int order) => order switch
        {
            2 or 3 or 5 or 7 or 11 or 13 or 17 or 19 or 23 => new(order, []),
            4 => new(2, [1, 1]),
            8 => new(2, [1, 1, 0]),
            9 => new(3, [1, 0]),
            16 => new(2, [1, 1, 0, 0]),
            _ => null,
        };

        public int Add(int a, int b) => Number(Digits(a).Zip(Digits(b), (x, y) => x + y));

        public int Times(int a, int b)
        {
            if (_modulus.Length == 0) return a * b % _p;
            int[] left = Digits(a), right = Digits(b);
            var product = new int[(2 * _modulus.Length) - 1];
            for (var i = 0; i < left.Length; i++)
            {
                for (var j = 0; j < right.Length; j++) product[i + j] += left[i] * right[j];
            }

            // x^k is minus the rest of the polynomial.
            for (var i = product.Length - 1; i >= _modulus.Length; i--)
            {
                for (var j = 0; j < _modulus.Length; j++) product[i - _modulus.Length + j] -= product[i] * _modulus[j];
            }

            return Number(product.Take(_modulus.Length));
        }

        private int[] Digits(int n)
        {
            var digits = new int[Math.Max(1, _modulus.Length)];
            for (var i = 0; i < digits.Length; i++, n /= _p) digits[i] = n % _p;
            return digits;
        }

        private int Number(IEnumerable<int> digits) => digits.Reverse().Aggregate(0, (n, d) => (n * _p) + (((d % _p) + _p) % _p));
    }
}
