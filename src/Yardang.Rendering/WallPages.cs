using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;

namespace Yardang.Rendering;

/// <summary>A card as it is put out.</summary>
/// <param name="Text">What it says.</param>
/// <param name="By">Whose it is, and what else is said of it; may be empty.</param>
/// <param name="Shown">What is shown below the words.</param>
/// <param name="Colour">Its own, see <see cref="Palette"/>; null for that of its band.</param>
public sealed record WallSlip(string Text, string By, ImmutableArray<Attachment>? Shown = null, int? Colour = null);

/// <summary>A topic of a wall with what stands under it.</summary>
/// <param name="Heading">What it is called; may be empty.</param>
/// <param name="Prompt">What was to be written; may be empty.</param>
/// <param name="Colour">Of the slips, see <see cref="Palette"/>.</param>
/// <param name="Slips">In order.</param>
/// <param name="Shown">What is looked at there, below its words.</param>
public sealed record WallBand(string Heading, string Prompt, int Colour, IReadOnlyList<WallSlip> Slips, ImmutableArray<Attachment>? Shown = null);

/// <summary>Where a card stands on the line of a wall.</summary>
/// <param name="Share">How far along it, from 0 to 1.</param>
/// <param name="Up">In a field how far up, from 0 to 1.</param>
/// <param name="Label">What stands there, in a few letters.</param>
public sealed record AxisPoint(double Share, double Up, string Label);

/// <summary>The line along which the cards of a wall are ordered, with where each stands.</summary>
/// <param name="Start">What its beginning is called.</param>
/// <param name="End">What its end is called.</param>
/// <param name="Points">In order.</param>
/// <param name="Upright">Of a field: what its lower and its upper end are called; null for a line.</param>
public sealed record WallAxis(string Start, string End, IReadOnlyList<AxisPoint> Points, (string Low, string High)? Upright = null);

/// <summary>A wall as it is put out.</summary>
/// <param name="Question">The question over it.</param>
/// <param name="Bands">Its topics.</param>
/// <param name="Lists">Behind the wall: an index, each under its heading.</param>
/// <param name="Foot">Whose it is, and of when; may be empty.</param>
/// <param name="Picture">The bytes of a picture by its name; null if it is not there.</param>
/// <param name="Axis">Over the bands; null for none.</param>
/// <param name="Field">The free field, over the bands; null for none.</param>
/// <param name="Leads">The QR code that leads to where something is heard or seen, row by row, dark squares true, with its quiet zone; null for what is seen on paper as it is. Null for no codes at all.</param>
public sealed record WallSheet(
    string Question, IReadOnlyList<WallBand> Bands, IReadOnlyList<(string Heading, IReadOnlyList<string> Lines)> Lists, string Foot, Func<string, byte[]?> Picture, WallAxis? Axis = null, WallField? Field = null,
    Func<Attachment, IReadOnlyList<IReadOnlyList<bool>>?>? Leads = null);

/// <summary>Lays a wall out on pages: topics one below another, their words at the near side, cards along each. All lengths are 1/100 mm.</summary>
public static class WallPages
{
    private const int Margin = 1_200;
    private const int FootRoom = 1_000;
    private const int NearWidth = 5_600;
    private const int Gap = 400;
    private const int SlipWidth = 6_000;
    private const int Padding = 300;
    private const int HeadingSize = 520;
    private const int PromptSize = 360;
    private const int SlipSize = 420;
    private const int BySize = 320;
    private const double LineHeight = 1.25;
    private const int MostLines = 20;

    // Where something is shown below the words, so that a slip is no higher than a page.
    private const int MostLinesOverShown = 12;
    private const int ShownHeight = 3_600;
    private const int ShownGap = 200;
    private const int EdgeWidth = 25;

    // A telephone reads it from an arm's length.
    private const int CodeSide = 2_200;

    // What stands higher over a line is only in the list below it.
    private const int MostAxisRows = 16;
    private const int FieldHeight = 9_000;

    // So much is left for a heading and some lines.
    private const int ListRoom = 4_000;

    // 1/100 mm of a unit of a free field, as on a screen; and how wide a field is at most on one page of its own.
    private const double Natural = 26;
    private const int MostWhole = 140_000;

    /// <summary>The wall on as many pages of a size as it takes.</summary>
    public static IReadOnlyList<ExportPage> On(PageSize size, WallSheet wall)
    {
        var layout = new Layout(size.Width, size.Height);
        layout.Lay(wall);
        foreach (var (heading, lines) in wall.Lists) layout.List(heading, lines);
        return [.. layout.Pages.Select(marks => new ExportPage(new Page(1, Texts.None, size, Paper.Plain), marks, LengthUnit.Centimetre, wall.Picture, wall.Foot))];
    }

    /// <summary>The whole wall on one page, as high as it takes.</summary>
    public static ExportPage Whole(WallSheet wall)
    {
        var columns = Math.Clamp((int)Math.Ceiling(Math.Sqrt(wall.Bands.Sum(b => b.Slips.Count) / 2.0)), 3, 12);
        var width = (2 * Margin) + NearWidth + (columns * (SlipWidth + Gap));
        if (wall.Field is { } field) width = Math.Max(width, (2 * Margin) + (int)Math.Min(MostWhole, field.Bounds().Width * Natural));
        var layout = new Layout(width, int.MaxValue / 2);
        layout.Lay(wall);
        var size = new PageSize(width, layout.Y + Margin + FootRoom);
        return new ExportPage(new Page(1, Texts.None, size, Paper.Plain), layout.Pages[0], LengthUnit.Centimetre, wall.Picture, wall.Foot);
    }

    private static int HeightOf(int lines, int size) => (int)Math.Ceiling(lines * LineHeight * size);

    /// <summary>A slip, or a part of a long one.</summary>
    private sealed record Piece(ImmutableArray<string> Lines, string By, ImmutableArray<Shown> Below, int Height, int? Colour);

    /// <summary>Something that is shown, from the left edge of the words and from where they end; with the code below it, if there is one.</summary>
    private sealed record Shown(Attachment Attachment, int X, int Y, int Width, int Height, IReadOnlyList<IReadOnlyList<bool>>? Code)
    {
        public int Bottom => Y + Height + (Code is null ? 0 : ShownGap + CodeSide);
    }

    private sealed class Layout
    {
        private readonly int _width;
        private readonly int _bottom;
        private readonly int _columns;
        private readonly int _slipWidth;
        private Func<Attachment, IReadOnlyList<IReadOnlyList<bool>>?> _leads = _ => null;
        private long _id;
        private int _lists;

        public Layout(int width, int height)
        {
            (_width, _bottom) = (width, height - FootRoom);
            var room = width - (2 * Margin) - NearWidth;
            _columns = Math.Max(1, (room + Gap) / (SlipWidth + Gap));
            _slipWidth = ((room + Gap) / _columns) - Gap;
        }

        public List<List<Mark>> Pages { get; } = [[]];

        public int Y { get; private set; } = Margin;

        public void Lay(WallSheet wall)
        {
            _leads = wall.Leads ?? _leads;
            if (wall.Question.Length > 0) Flow(wall.Question, 800, bold: true, 600);
            if (wall.Axis is { Upright: null } line) Lay(line);
            else if (wall.Axis is { Upright: { } upright } field) Lay(field, upright);
            if (wall.Field is { Cards.Count: > 0 } connected) Lay(connected);
            foreach (var band in wall.Bands) Lay(band);
        }

        // As large as it can be seen whole on a page, and no larger than on a screen.
        private void Lay(WallField field)
        {
            var (_, _, width, height) = field.Bounds();
            var scale = Math.Min(Natural, Math.Min((_width - (2.0 * Margin)) / width, (_bottom - Y) / (double)height));
            if (scale < Natural && Pages[^1].Count > 0 && (_bottom - Margin) / (double)height > 1.4 * scale && (_width - (2.0 * Margin)) / width > scale)
            {
                Turn();
                scale = Math.Min(Natural, Math.Min((_width - (2.0 * Margin)) / width, (_bottom - Y) / (double)height));
            }

            foreach (var (body, style) in FieldMarks.Of(field, Margin, Y, scale)) Put(body, style, grip: Grip.Own);
            Y += (int)(height * scale) + 500;
        }

        // Labels over their places, in as many rows as it takes that none touches another; their names below the ends.
        private void Lay(WallAxis axis)
        {
            const int label = 700;
            var length = _width - (2 * Margin);
            List<int> ends = [];
            var placed = new List<(int X, int Row, string Label)>();
            foreach (var (share, _, words) in axis.Points.OrderBy(p => p.Share))
            {
                var x = (int)(share * length);
                var row = ends.FindIndex(end => end <= x);
                if (row < 0 && ends.Count == MostAxisRows) continue;
                if (row < 0)
                {
                    row = ends.Count;
                    ends.Add(0);
                }

                ends[row] = x + label;
                placed.Add((x, row, words));
            }

            var line = Y + (ends.Count * HeightOf(1, BySize)) + 150;
            foreach (var (x, row, words) in placed)
            {
                var top = line - 100 - ((row + 1) * HeightOf(1, BySize));
                Put(new TextBody(Margin + Math.Min(x, length - label) + 40, top, label, HeightOf(1, BySize), new Words(words, "", [words], BySize)), new Style(0, 0));
                Put(new ShapeBody(ShapeKind.Line, [Margin + x, top + 60, Margin + x, line]), new Style(0, EdgeWidth));
            }

            Put(new ShapeBody(ShapeKind.Line, [Margin, line, Margin + length, line]), new Style(0, 2 * EdgeWidth));
            Y = line + 120;
            Y += Ends(axis) + 600;
        }

        // The names of both ends, at them.
        private int Ends(WallAxis axis)
        {
            var (length, half) = (_width - (2 * Margin), (_width / 2) - Margin - Gap);
            var start = Words(axis.Start, Margin, Y, half, PromptSize, bold: true);
            var wide = Math.Min(half, (int)WordPainter.Width(axis.End, PromptSize, bold: true) + 100);
            return Math.Max(start, Words(axis.End, Margin + length - wide, Y, wide, PromptSize, bold: true));
        }

        // Two lines that cross in the middle, and a dot with its label for each card.
        private void Lay(WallAxis axis, (string Low, string High) upright)
        {
            const int dot = 110;
            var (length, high) = (_width - (2 * Margin), FieldHeight);
            var middle = Margin + (length / 2);
            Y += Words(upright.High, middle + 100, Y, length / 3, PromptSize, bold: true);
            if (Y + high > _bottom && Pages[^1].Count > 0) Turn();
            Put(new ShapeBody(ShapeKind.Line, [middle, Y, middle, Y + high]), new Style(0, EdgeWidth));
            Put(new ShapeBody(ShapeKind.Line, [Margin, Y + (high / 2), Margin + length, Y + (high / 2)]), new Style(0, EdgeWidth));
            foreach (var (share, up, label) in axis.Points)
            {
                var (x, y) = (Margin + (int)(share * length), Y + (int)((1 - up) * high));
                Put(new ShapeBody(ShapeKind.Ellipse, [x - dot, y - dot, x + dot, y + dot]), new Style(0, 2 * EdgeWidth));
                Put(new TextBody(Math.Min(x + dot + 40, Margin + length - 500), y - dot - HeightOf(1, BySize), 500, HeightOf(1, BySize), new Words(label, "", [label], BySize)), new Style(0, 0));
            }

            Y += high;
            Y += Words(upright.Low, middle + 100, Y, length / 3, PromptSize, bold: true);
            Y += Ends(axis) + 600;
        }

        public void List(string heading, IReadOnlyList<string> lines)
        {
            if (_lists++ == 0 || Y + ListRoom > _bottom) Turn();
            else Y += 500;
            Flow(heading, 650, bold: true, 400);
            foreach (var line in lines) Flow(line, SlipSize, bold: false, 100);
        }

        // Across the page, and on where it ends.
        private void Flow(string text, int size, bool bold, int after)
        {
            var lines = TextFit.Lines(text, _width - (2 * Margin), size, bold);
            while (lines.Length > 0)
            {
                var fit = Math.Min(lines.Length, Math.Max(0, (_bottom - Y) / HeightOf(1, size)));
                if (fit == 0)
                {
                    Turn();
                    continue;
                }

                Put(Text(lines[..fit], Margin, _width - (2 * Margin), size), new Style(0, 0, 0, bold ? Looks.Bold : Looks.None));
                Y += HeightOf(fit, size);
                lines = lines[fit..];
            }

            Y += after;
        }

        // A row is as high as its highest card; the topic is named again where it goes on on another page.
        private void Lay(WallBand band)
        {
            var slips = band.Slips.SelectMany(Fitted).ToList();
            var rows = slips.Chunk(_columns).ToList();
            var nearHeight = HeightOf(TextFit.Lines(band.Heading, NearWidth - Gap, HeadingSize, bold: true).Length, HeadingSize) + HeightOf(TextFit.Lines(band.Prompt, NearWidth - Gap, PromptSize).Length, PromptSize) + NearShown(band).Sum(s => s.Bottom + ShownGap);
            var first = rows.Count > 0 ? rows[0].Max(s => s.Height) : 0;
            if (nearHeight > (_bottom - Margin) / 2)
            {
                // A long prompt stands over its cards.
                Flow(band.Heading, HeadingSize, bold: true, 150);
                Flow(band.Prompt, PromptSize, bold: false, 300);
                band = band with { Heading = TextFit.Lines(band.Heading, NearWidth - Gap, HeadingSize, bold: true)[0], Prompt = "" };
            }
            else if (Y + Math.Max(nearHeight, first) > _bottom && Pages[^1].Count > 0)
            {
                Turn();
            }

            var near = rows.Count > 0 && Y + first > _bottom ? Y : Y + Near(band);
            foreach (var row in rows)
            {
                var height = row.Max(s => s.Height);
                if (Y + height > _bottom)
                {
                    Turn();
                    near = Y + Near(band);
                }

                for (var i = 0; i < row.Length; i++) Slip(row[i], Margin + NearWidth + (i * (_slipWidth + Gap)), height, row[i].Colour ?? band.Colour);
                Y += height + Gap;
            }

            Y = Math.Max(Y, near) + 500;
        }

        private int Near(WallBand band)
        {
            var height = 0;
            if (band.Heading.Length > 0) height += Words(band.Heading, Margin, Y, NearWidth - Gap, HeadingSize, bold: true) + 150;
            if (band.Prompt.Length > 0) height += Words(band.Prompt, Margin, Y + height, NearWidth - Gap, PromptSize);
            foreach (var shown in NearShown(band))
            {
                height += ShownGap;
                Put(shown, Margin, Y + height);
                height += shown.Bottom;
            }

            return height;
        }

        private List<Shown> NearShown(WallBand band) => [.. (band.Shown ?? []).Select(a => At(a, 0, 0, NearWidth - Gap))];

        // As large as there is room for it.
        private Shown At(Attachment attachment, int x, int y, int room)
        {
            var (width, height) = AttachmentMarks.SizeIn(attachment, room, ShownHeight);
            return new(attachment, x, y, width, height, _leads(attachment));
        }

        // What is longer than a page goes on on another slip.
        private IEnumerable<Piece> Fitted(WallSlip slip)
        {
            var shown = slip.Shown ?? [];
            var pieces = TextFit.Lines(slip.Text, _slipWidth - (2 * Padding), SlipSize).Chunk(shown.IsEmpty ? MostLines : MostLinesOverShown).ToList();
            for (var i = 0; i < pieces.Count; i++)
            {
                var isLast = i == pieces.Count - 1;
                var by = isLast ? slip.By : "…";
                var below = isLast ? Placed(shown) : [];
                yield return new([.. pieces[i]], by, below, HeightOf(pieces[i].Length, SlipSize) + (2 * Padding) + BottomOf(below) + (by.Length > 0 ? HeightOf(ByLines(by).Length, BySize) : 0), slip.Colour);
            }
        }

        // Alone, or two beside one another; places are from where the words end.
        private ImmutableArray<Shown> Placed(ImmutableArray<Attachment> shown)
        {
            var across = shown.Length == 1 ? 1 : 2;
            var room = (_slipWidth - (2 * Padding) - ((across - 1) * ShownGap)) / across;
            var placed = ImmutableArray.CreateBuilder<Shown>(shown.Length);
            var y = ShownGap;
            foreach (var row in shown.Chunk(across))
            {
                var inRow = row.Select((a, i) => At(a, i * (room + ShownGap), y, room)).ToList();
                placed.AddRange(inRow);
                y = inRow.Max(s => s.Bottom) + ShownGap;
            }

            return placed.ToImmutable();
        }

        private static int BottomOf(ImmutableArray<Shown> shown) => shown.IsEmpty ? 0 : shown.Max(s => s.Bottom) + ShownGap;

        private void Slip(Piece slip, int x, int height, int colour)
        {
            Put(new NoteBody(x, Y, _slipWidth, height, new Words(string.Join('\n', slip.Lines), "", slip.Lines, SlipSize)), new Style(colour, 0));
            Put(new ShapeBody(ShapeKind.Polygon, [x, Y, x + _slipWidth, Y, x + _slipWidth, Y + height, x, Y + height]), new Style(0, EdgeWidth));
            var words = Y + Padding + HeightOf(slip.Lines.Length, SlipSize);
            foreach (var shown in slip.Below) Put(shown, x + Padding, words);

            if (slip.By.Length == 0) return;
            var by = ByLines(slip.By);
            var at = Y + height - (Padding / 2) - HeightOf(by.Length, BySize);
            Put(new TextBody(x + Padding, at, _slipWidth - (2 * Padding), HeightOf(by.Length, BySize), new Words(slip.By, "", by, BySize)), new Style(0, 0));
        }

        private void Put(Shown shown, int x, int y)
        {
            var (left, top) = (x + shown.X, y + shown.Y);
            foreach (var (body, style, scale) in AttachmentMarks.Of(shown.Attachment, left, top, shown.Width, shown.Height)) Put(body, style, scale, Grip.Own);
            if (shown.Code is null) return;
            foreach (var (body, style) in QrMarks.Of(shown.Code, left, top + shown.Height + ShownGap, CodeSide)) Put(body, style, grip: Grip.Own);
        }

        private ImmutableArray<string> ByLines(string by) => TextFit.Lines(by, _slipWidth - (2 * Padding), BySize);

        private int Words(string text, int x, int y, int width, int size, bool bold = false)
        {
            var lines = TextFit.Lines(text, width, size, bold);
            var height = HeightOf(lines.Length, size);
            Put(new TextBody(x, y, width, height, new Words(text, "", lines, size)), new Style(0, 0, 0, bold ? Looks.Bold : Looks.None));
            return height;
        }

        private TextBody Text(ImmutableArray<string> lines, int x, int width, int size) => new(x, Y, width, HeightOf(lines.Length, size), new Words(string.Join('\n', lines), "", lines, size));

        private void Put(MarkBody body, Style style, Scale? scale = null, Grip grip = Grip.Printed) => Pages[^1].Add(new Mark(++_id, 1, 0, ByStaff: false, grip, _id, body, style, default, [], Erased: false, scale));

        private void Turn()
        {
            Pages.Add([]);
            Y = Margin;
        }
    }
}
