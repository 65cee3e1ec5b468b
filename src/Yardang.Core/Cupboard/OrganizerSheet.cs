using System.Collections.Immutable;
using Yardang.Core.Marks;
using Yardang.Core.Pages;
using Yardang.Core.Styles;

namespace Yardang.Core.Cupboard;

/// <summary>
/// What organizers are drawn on: a field of 1000 by 1000 that is laid over a page inside its margin, so that one drawing fits every size of page.
/// </summary>
public sealed class OrganizerSheet
{
    private const int Margin = 1_000;
    private const int Field = 1_000;
    private const int LineWidth = 60;
    private const double LineHeight = 1.25;

    private readonly List<Mark> _marks = [];
    private readonly PageSize _size;
    private readonly string _language;
    private readonly Func<string, string> _say;

    internal OrganizerSheet(PageSize size, string language, Func<string, string> say) => (_size, _language, _say) = (size, language, say);

    /// <summary>Width of the field over its height, as it will be on this page.</summary>
    public double Proportion => (_size.Width - (2.0 * Margin)) / (_size.Height - (2.0 * Margin));

    /// <summary>What was drawn, back to front, with ids 1, 2, 3 ...</summary>
    internal ImmutableArray<Mark> Marks => [.. _marks];

    /// <summary>A rectangular zone.</summary>
    public void Zone(double x, double y, double width, double height, string name, int colour) =>
        AddZone(ShapeKind.Polygon, colour, name, [X(x), Y(y), X(x + width), Y(y), X(x + width), Y(y + height), X(x), Y(y + height)]);

    /// <summary>A zone with corners anywhere: x, y, x, y ...</summary>
    public void ZoneOf(string name, int colour, params double[] corners) =>
        AddZone(ShapeKind.Polygon, colour, name, [.. corners.Select((c, i) => i % 2 == 0 ? X(c) : Y(c))]);

    /// <summary>A round zone: a circle about a middle, its radius a share of the field's height.</summary>
    public void Circle(double x, double y, double radius, string name, int colour)
    {
        var r = H(radius);
        AddZone(ShapeKind.Ellipse, colour, name, [X(x) - r, Y(y) - r, X(x) + r, Y(y) + r]);
    }

    /// <summary>An oval zone in a box.</summary>
    public void Oval(double x, double y, double width, double height, string name, int colour) =>
        AddZone(ShapeKind.Ellipse, colour, name, [X(x), Y(y), X(x + width), Y(y + height)]);

    /// <summary>Words, centred in a width.</summary>
    public void Words(double x, double y, double width, string text, int size = 600, bool bold = false)
    {
        var words = _say(text);
        var looks = Looks.Centred | (bold ? Looks.Bold : Looks.None);
        Add(new TextBody(X(x), Y(y), X(x + width) - X(x), (int)(size * LineHeight), new Words(words, _language, [words], size)), new Style(0, 0, 0, looks));
    }

    /// <summary>A line through places: x, y, x, y ...</summary>
    public void Line(params double[] places) => AddLine(Looks.None, places);

    /// <summary>An arrow to the last place.</summary>
    public void Arrow(params double[] places) => AddLine(Looks.ArrowAtEnd, places);

    /// <summary>A loose slip that students move.</summary>
    public void Slip(double x, double y, string text, int colour)
    {
        const int width = 3_600, height = 1_500, size = 450;
        var words = _say(text);
        Add(new NoteBody(X(x) - (width / 2), Y(y) - (height / 2), width, height, new Words(words, _language, [words], size)), new Style(colour, 0), Grip.Loose);
    }

    /// <summary>A bubble that says something.</summary>
    public void Bubble(double x, double y, double width, double height, double tipX, double tipY, string text, int colour)
    {
        const int size = 600;
        var words = _say(text);
        Add(new BubbleBody(X(x), Y(y), X(x + width) - X(x), H(height), new Words(words, _language, [words], size), X(tipX), Y(tipY)), new Style(colour, 0));
    }

    /// <summary>A plain person: head and shoulders about a middle.</summary>
    public void Person(double x, double y)
    {
        int r = H(38), left = X(x) - H(80), right = X(x) + H(80), top = Y(y);
        Add(new ShapeBody(ShapeKind.Ellipse, [X(x) - r, top - r, X(x) + r, top + r]), new Style(0, LineWidth));
        Add(new ShapeBody(ShapeKind.Arc, [left, top + H(130), X(x), top + H(50), right, top + H(130)]), new Style(0, LineWidth));
    }

    private void AddZone(ShapeKind shape, int colour, string name, ImmutableArray<int> points)
    {
        var texts = name.Length == 0 ? Texts.None : Texts.In(_language, _say(name));
        Add(new ZoneBody(shape, points, texts), new Style(0, 0, colour + 1));
    }

    private void AddLine(Looks looks, double[] places) =>
        Add(new ShapeBody(ShapeKind.Line, [.. places.Select((p, i) => i % 2 == 0 ? X(p) : Y(p))]), new Style(0, LineWidth, 0, looks));

    private void Add(MarkBody body, Style style, Grip grip = Grip.Printed) =>
        _marks.Add(new Mark(_marks.Count + 1, 1, 1, ByStaff: true, grip, _marks.Count + 1, body, style, Place.AsDrawn, [], Erased: false));

    private int X(double x) => Margin + (int)Math.Round(x / Field * (_size.Width - (2 * Margin)));

    private int Y(double y) => Margin + (int)Math.Round(y / Field * (_size.Height - (2 * Margin)));

    private int H(double height) => (int)Math.Round(height / Field * (_size.Height - (2 * Margin)));
}
