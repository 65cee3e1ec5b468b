using System.Collections.Immutable;
using System.Globalization;

namespace Yardang.Core.Pages;

/// <summary>A number beside an axis. X is its middle, Y its baseline, 1/100 mm.</summary>
public sealed record RulingLabel(int X, int Y, string Text);

/// <summary>What is drawn for a paper on a page of some size. The browser has the same rules, held equal by golden vectors.</summary>
/// <param name="Lines">x, y, x, y ... of thin lines, 1/100 mm.</param>
/// <param name="Strong">The same of lines that carry more meaning: axes, baselines, tables.</param>
/// <param name="Dots">x, y ... of dots.</param>
/// <param name="Labels">Numbers.</param>
public sealed record Ruling(ImmutableArray<int> Lines, ImmutableArray<int> Strong, ImmutableArray<int> Dots, ImmutableArray<RulingLabel> Labels)
{
    /// <summary>Height of the numbers, 1/100 mm.</summary>
    public const int LabelSize = 350;

    private const int Margin = 1_000;
    private const int TableMargin = 1_500;
    private const int Tick = 250;
    private const int LabelDrop = 420;
    private static readonly Axis s_tens = new(-10_000, 10_000, 1_000);
    private static readonly Axis s_twenty = new(0, 20_000, 1_000);

    /// <summary>The ruling of a paper.</summary>
    public static Ruling Of(Paper paper, PageSize size)
    {
        var made = new Builder(size);
        switch (paper.Kind)
        {
            case PaperKind.Squared: made.Squares(Or(paper.Spacing, 500)); break;
            case PaperKind.Ruled: made.Rows(2_000, Or(paper.Spacing, 800)); break;
            case PaperKind.Handwriting: made.Handwriting(Or(paper.Spacing, 500)); break;
            case PaperKind.Dotted: made.DotRows(Or(paper.Spacing, 500)); break;
            case PaperKind.Isometric: made.Triangles(Or(paper.Spacing, 1_000)); break;
            case PaperKind.CoordinatePlane: made.Plane(paper.Across ?? s_tens, paper.Up ?? s_tens); break;
            case PaperKind.NumberLine: made.NumberLine(paper.Across ?? s_twenty); break;
            case PaperKind.Staves: made.Staves(Or(paper.Spacing, 200)); break;
            case PaperKind.Table: made.Table(Or(paper.Columns, 3), Or(paper.Rows, 4)); break;
        }

        return made.Ruling();
    }

    private static int Or(int value, int usual) => value == 0 ? usual : value;

    // As the browser's Math.round.
    private static int Round(double value) => (int)Math.Floor(value + 0.5);

    private sealed class Builder(PageSize size)
    {
        private readonly List<int> _lines = [];
        private readonly List<int> _strong = [];
        private readonly List<int> _dots = [];
        private readonly List<RulingLabel> _labels = [];

        public Ruling Ruling() => new([.. _lines], [.. _strong], [.. _dots], [.. _labels]);

        public void Squares(int spacing)
        {
            for (var x = spacing; x < size.Width; x += spacing) _lines.AddRange([x, 0, x, size.Height]);
            for (var y = spacing; y < size.Height; y += spacing) _lines.AddRange([0, y, size.Width, y]);
        }

        public void Rows(int from, int spacing)
        {
            for (var y = from; y < size.Height; y += spacing) _lines.AddRange([0, y, size.Width, y]);
        }

        // Ascender, top of small letters, baseline, descender; then a gap.
        public void Handwriting(int height)
        {
            for (var y = 3 * height; y + (3 * height) < size.Height; y += 5 * height)
            {
                for (var line = 0; line < 4; line++)
                {
                    (line == 2 ? _strong : _lines).AddRange([Margin, y + (line * height), size.Width - Margin, y + (line * height)]);
                }
            }
        }

        public void DotRows(int spacing)
        {
            for (var y = spacing; y < size.Height; y += spacing)
            {
                for (var x = spacing; x < size.Width; x += spacing) _dots.AddRange([x, y]);
            }
        }

        public void Triangles(int side)
        {
            var height = side * Math.Sqrt(3) / 2;
            for (var row = 1; row * height < size.Height; row++)
            {
                for (var x = row % 2 == 0 ? side : side / 2; x < size.Width; x += side) _dots.AddRange([x, Round(row * height)]);
            }
        }

        public void Plane(Axis across, Axis up)
        {
            double rangeX = across.To - across.From, rangeY = up.To - up.From;
            var unit = Math.Min((size.Width - (2 * Margin)) / rangeX, (size.Height - (2 * Margin)) / rangeY);
            double left = (size.Width - (rangeX * unit)) / 2, bottom = (size.Height + (rangeY * unit)) / 2;
            int X(int n) => Round(left + ((n - across.From) * unit));
            int Y(int n) => Round(bottom - ((n - up.From) * unit));
            int zeroX = Math.Clamp(0, across.From, across.To), zeroY = Math.Clamp(0, up.From, up.To);
            for (var n = across.From; n <= across.To; n += across.Step)
            {
                (n == zeroX ? _strong : _lines).AddRange([X(n), Y(up.From), X(n), Y(up.To)]);
                if (n != zeroX) Label(X(n), Y(zeroY) + LabelDrop, n);
            }

            for (var n = up.From; n <= up.To; n += up.Step)
            {
                (n == zeroY ? _strong : _lines).AddRange([X(across.From), Y(n), X(across.To), Y(n)]);
                if (n != zeroY) Label(X(zeroX) - LabelDrop, Y(n) + (LabelSize / 3), n);
            }

            // An axis whose zero is between two steps.
            if ((zeroX - across.From) % across.Step != 0) _strong.AddRange([X(zeroX), Y(up.From), X(zeroX), Y(up.To)]);
            if ((zeroY - up.From) % up.Step != 0) _strong.AddRange([X(across.From), Y(zeroY), X(across.To), Y(zeroY)]);
        }

        public void NumberLine(Axis axis)
        {
            var y = size.Height / 2;
            var unit = (size.Width - (4 * Margin)) / (double)(axis.To - axis.From);
            _strong.AddRange([Margin, y, size.Width - Margin, y]);
            for (var n = axis.From; n <= axis.To; n += axis.Step)
            {
                var x = Round((2 * Margin) + ((n - axis.From) * unit));
                _strong.AddRange([x, y - Tick, x, y + Tick]);
                Label(x, y + Tick + LabelDrop, n);
            }
        }

        public void Staves(int spacing)
        {
            for (var top = 8 * spacing; top + (4 * spacing) < size.Height; top += 12 * spacing)
            {
                for (var line = 0; line < 5; line++) _strong.AddRange([Margin, top + (line * spacing), size.Width - Margin, top + (line * spacing)]);
            }
        }

        public void Table(int columns, int rows)
        {
            int width = size.Width - (2 * TableMargin), height = size.Height - (2 * TableMargin);
            for (var i = 0; i <= columns; i++)
            {
                var x = TableMargin + Round((double)width * i / columns);
                _strong.AddRange([x, TableMargin, x, TableMargin + height]);
            }

            for (var i = 0; i <= rows; i++)
            {
                var y = TableMargin + Round((double)height * i / rows);
                _strong.AddRange([TableMargin, y, TableMargin + width, y]);
            }
        }

        private void Label(int x, int y, int thousandths) =>
            _labels.Add(new(x, y, (thousandths / 1000.0).ToString("0.###", CultureInfo.InvariantCulture)));
    }
}
