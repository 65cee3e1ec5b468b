using System.Collections.Immutable;
using Yardang.Core.Attachments;
using Yardang.Core.Marks;
using Yardang.Core.Styles;
using Yardang.Core.Walls;

namespace Yardang.Rendering;

/// <summary>A card as it lies on a free field.</summary>
/// <param name="X">Its middle, in units of the field.</param>
/// <param name="Y">Its middle, downwards.</param>
/// <param name="Text">What it says.</param>
/// <param name="Label">What stands for it where its words would be too small: its number in the list.</param>
public sealed record FieldCard(int X, int Y, string Text, string Label);

/// <summary>A link between two cards of a field, by their places in the list.</summary>
/// <param name="From">Where it begins.</param>
/// <param name="To">Where it ends.</param>
/// <param name="Text">What it says; may be empty.</param>
public sealed record FieldLink(int From, int To, string Text);

/// <summary>A free field with its cards and links, to be put out.</summary>
/// <param name="Cards">The cards.</param>
/// <param name="Links">The links between them.</param>
/// <param name="Picture">What lies beneath; null for nothing.</param>
public sealed record WallField(IReadOnlyList<FieldCard> Cards, IReadOnlyList<FieldLink> Links, MapPicture? Picture)
{
    private const int Around = 30;

    /// <summary>What there is of it, in units of the field.</summary>
    public (int Left, int Top, int Width, int Height) Bounds()
    {
        var boxes = Cards.Select(c => (Left: c.X - (FieldPlan.CardWidth / 2), Top: c.Y - (FieldPlan.CardHeight / 2), Right: c.X + (FieldPlan.CardWidth / 2), Bottom: c.Y + (FieldPlan.CardHeight / 2))).ToList();
        if (Picture is { } picture)
        {
            var (width, height) = FieldPlan.SizeOf(picture);
            boxes.Add((-width / 2, -height / 2, width / 2, height / 2));
        }

        var (left, top) = (boxes.Min(b => b.Left) - Around, boxes.Min(b => b.Top) - Around);
        return (left, top, boxes.Max(b => b.Right) + Around - left, boxes.Max(b => b.Bottom) + Around - top);
    }
}

/// <summary>A free field as marks on a page: the picture, links with a gap for their words, cards. All lengths on the page are 1/100 mm.</summary>
internal static class FieldMarks
{
    private const int EdgeWidth = 25;
    // Larger than on a screen, where one can go nearer.
    private const double TypeSize = 25;
    private const double LinkTypeSize = 21;
    private const double Padding = 8;
    private const int MostLines = 3;
    private const double LineHeight = 1.25;

    // Smaller words are not read on paper: cards show their numbers, and links no words. Both stand in the lists.
    private const int SmallestType = 200;
    private const int LabelType = 240;
    private const int MostType = 420;

    // So far one of two links between the same cards is from the other.
    private const int Bend = 24;

    /// <summary>The marks.</summary>
    /// <param name="field">The field.</param>
    /// <param name="x">Where its left edge is to be.</param>
    /// <param name="y">Where its upper edge is to be.</param>
    /// <param name="scale">1/100 mm of one unit of the field.</param>
    public static IEnumerable<(MarkBody Body, Style Style)> Of(WallField field, int x, int y, double scale)
    {
        var (left, top, _, _) = field.Bounds();
        (double X, double Y) At(double fieldX, double fieldY) => (x + ((fieldX - left) * scale), y + ((fieldY - top) * scale));
        if (field.Picture is { } picture)
        {
            var (width, height) = FieldPlan.SizeOf(picture);
            var (pictureX, pictureY) = At(-width / 2.0, -height / 2.0);
            yield return (new PictureBody((int)pictureX, (int)pictureY, (int)(width * scale), (int)(height * scale), picture.Media, picture.Description), new Style(0, 0));
        }

        var cards = field.Cards.Select(c => BoxOf(c, At(c.X, c.Y), scale)).ToList();
        var pairs = field.Links.Select(l => (l.From, l.To)).ToHashSet();
        foreach (var link in field.Links)
        {
            var bend = pairs.Contains((link.To, link.From)) ? Bend * scale : 0;
            foreach (var mark in Line(cards[link.From], cards[link.To], link.Text, bend, Math.Min(MostType, (int)(LinkTypeSize * scale)))) yield return mark;
        }

        foreach (var card in cards)
        {
            yield return (Frame(card), new Style(0, EdgeWidth, White));
            yield return (new TextBody((int)(card.Left + card.Pad), (int)(card.Top + card.Pad), (int)(card.Width - card.Pad), (int)(card.Height - (2 * card.Pad)), new Words(string.Join('\n', card.Lines), "", card.Lines, card.Size)), new Style(0, 0));
        }
    }

    // As a filling, by its number among them.
    private const int White = 10;

    private static ShapeBody Frame(CardBox c) => new(ShapeKind.Polygon, [(int)c.Left, (int)c.Top, (int)(c.Left + c.Width), (int)c.Top, (int)(c.Left + c.Width), (int)(c.Top + c.Height), (int)c.Left, (int)(c.Top + c.Height)]);

    private static CardBox BoxOf(FieldCard card, (double X, double Y) middle, double scale)
    {
        var size = Math.Min(MostType, (int)(TypeSize * scale));
        var pad = Padding * scale;
        var lines = size < SmallestType ? [card.Label] : TextFit.Lines(card.Text, (int)((FieldPlan.CardWidth * scale) - (2 * pad)), size);
        if (size < SmallestType) size = LabelType;
        if (lines.Length > MostLines) lines = [.. lines[..(MostLines - 1)], $"{lines[MostLines - 1]} …"];
        var width = lines.Max(l => WordPainter.Width(l, size, bold: false)) + (2 * pad) + 40;
        var height = (lines.Length * LineHeight * size) + (2 * pad);
        return new(middle.X, middle.Y, width, height, pad, size, lines);
    }

    // In two pieces, with the words between them.
    private static IEnumerable<(MarkBody Body, Style Style)> Line(CardBox from, CardBox to, string text, double bend, int size)
    {
        var (dx, dy) = (to.X - from.X, to.Y - from.Y);
        var length = Math.Max(1, Math.Sqrt((dx * dx) + (dy * dy)));
        var (offX, offY) = (-dy / length * bend, dx / length * bend);
        var middle = (X: ((from.X + to.X) / 2) + offX, Y: ((from.Y + to.Y) / 2) + offY);
        var (start, end) = (from.EdgeTowards(middle), to.EdgeTowards(middle));
        if (bend == 0) middle = ((start.X + end.X) / 2, (start.Y + end.Y) / 2);
        var style = new Style(0, 2 * EdgeWidth, Looks: Looks.ArrowAtEnd);
        if (text.Length == 0 || size < SmallestType)
        {
            ImmutableArray<int> points = bend == 0 ? [(int)start.X, (int)start.Y, (int)end.X, (int)end.Y] : [(int)start.X, (int)start.Y, (int)middle.X, (int)middle.Y, (int)end.X, (int)end.Y];
            yield return (new ShapeBody(ShapeKind.Line, points), style);
            yield break;
        }

        var width = WordPainter.Width(text, size, bold: false) + size;
        var height = LineHeight * size;
        var gap = new CardBox(middle.X, middle.Y, width, height, 0, size, [text]);
        var (before, after) = (gap.EdgeTowards(start), gap.EdgeTowards(end));
        yield return (new ShapeBody(ShapeKind.Line, [(int)start.X, (int)start.Y, (int)before.X, (int)before.Y]), style with { Looks = Looks.None });
        yield return (new ShapeBody(ShapeKind.Line, [(int)after.X, (int)after.Y, (int)end.X, (int)end.Y]), style);
        yield return (new TextBody((int)(middle.X - (width / 2) + (size / 2)), (int)(middle.Y - (height / 2)), (int)width, (int)height, new Words(text, "", [text], size)), new Style(0, 0));
    }

    /// <summary>A box on the page, from its middle.</summary>
    private sealed record CardBox(double X, double Y, double Width, double Height, double Pad, int Size, ImmutableArray<string> Lines)
    {
        public double Left => X - (Width / 2);

        public double Top => Y - (Height / 2);

        // Where a line from the middle to a point leaves it.
        public (double X, double Y) EdgeTowards((double X, double Y) to)
        {
            var (dx, dy) = (to.X - X, to.Y - Y);
            var share = Math.Min(1, Math.Min(dx == 0 ? double.PositiveInfinity : Width / 2 / Math.Abs(dx), dy == 0 ? double.PositiveInfinity : Height / 2 / Math.Abs(dy)));
            return (X + (dx * share), Y + (dy * share));
        }
    }
}
