using System.Collections.Immutable;
using System.Globalization;
using System.Text;
using System.Xml;
using System.Xml.Linq;
using Yardang.Core.Editing;
using Yardang.Core.Geometry;
using Yardang.Core.Ink;
using Yardang.Core.Marks;
using Yardang.Core.Rooms;
using Yardang.Core.Shapes;
using Yardang.Core.Styles;

namespace Yardang.Core.Interchange;

/// <summary>A stroke as a file of ink has it.</summary>
/// <param name="Points">At most <see cref="Limits.InkPoints"/>; a longer stroke comes as several.</param>
/// <param name="Rgb">0xRRGGBB.</param>
/// <param name="Width">1/100 mm.</param>
public sealed record TracedStroke(ImmutableArray<InkPoint> Points, int Rgb, int Width);

/// <summary>
/// Ink as InkML (W3C Recommendation, "Ink Markup Language (InkML)", 2011): strokes with the channels X and Y in mm, F (pressure, 0 to 255) and T (ms).
/// Marks other than ink have no place in it.
/// </summary>
public static class InkMl
{
    /// <summary>The most bytes of a file.</summary>
    public const int MaxBytes = 20 * 1024 * 1024;

    private const double UnitsPerMm = 100;
    private const int UsualWidth = 60;
    private const int MostStrokes = 20_000;
    private const int LongestMs = 599_999;
    private const int Deepest = 40;
    private static readonly XNamespace s_ink = "http://www.w3.org/2003/InkML";
    private static readonly XName s_id = XNamespace.Xml + "id";

    /// <summary>The ink among some marks, as it stands on the page: moved, turned, scaled, and without what was rubbed out.</summary>
    public static byte[] Write(IEnumerable<Mark> marks)
    {
        var brushes = new Dictionary<(int Rgb, int Width), XElement>();
        var traces = new List<XElement>();
        foreach (var mark in marks)
        {
            if (mark.Body is not InkBody ink) continue;
            var look = (Rgb: mark.Style.Looks.HasFlag(Looks.Highlighter) ? Palette.HighlighterOf(mark) : Palette.InkOf(mark), mark.Style.Width);
            if (!brushes.TryGetValue(look, out var brush)) brushes[look] = brush = BrushOf(look, brushes.Count + 1);
            foreach (var part in Stroke.Remaining(ink.Points, mark.Cuts))
            {
                var points = part.Select(p => (Spot: MarkGeometry.OnPage(mark, new(p.X, p.Y)), p.Pressure, p.Ms));
                var text = string.Join(", ", points.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Spot.X / UnitsPerMm:0.##} {p.Spot.Y / UnitsPerMm:0.##} {p.Pressure} {p.Ms}")));
                traces.Add(new XElement(s_ink + "trace", new XAttribute("brushRef", $"#{brush.Attribute(s_id)!.Value}"), text));
            }
        }

        XElement Channel(string name, string type, string? unit) => new(s_ink + "channel", new XAttribute("name", name), new XAttribute("type", type), unit is null ? null : new XAttribute("units", unit));
        var format = new XElement(s_ink + "traceFormat", Channel("X", "decimal", "mm"), Channel("Y", "decimal", "mm"), Channel("F", "integer", null), Channel("T", "integer", "ms"));
        var definitions = new XElement(s_ink + "definitions", brushes.Values, new XElement(s_ink + "context", new XAttribute(s_id, "page"), format));
        var document = new XDocument(new XElement(s_ink + "ink", definitions, traces.Select(t => new XElement(t.Name, new XAttribute("contextRef", "#page"), t.Attributes(), t.Nodes()))));
        return Encoding.UTF8.GetBytes(document.ToString());
    }

    /// <summary>Reads the strokes of a file.</summary>
    /// <exception cref="FormatException">It is no InkML, damaged or too large; the message says what is wrong.</exception>
    public static ImmutableArray<TracedStroke> Read(Stream file)
    {
        var root = Load(file);
        if (root.Name != s_ink + "ink") throw new FormatException("The file is not InkML.");
        var brushes = root.Descendants(s_ink + "brush").Where(b => b.Attribute(s_id) is not null)
            .GroupBy(b => b.Attribute(s_id)!.Value, StringComparer.Ordinal).ToDictionary(g => g.Key, g => g.First(), StringComparer.Ordinal);
        var format = new TraceFormat(root.Descendants(s_ink + "traceFormat").FirstOrDefault());
        var strokes = ImmutableArray.CreateBuilder<TracedStroke>();
        foreach (var trace in root.Descendants(s_ink + "trace"))
        {
            var brush = brushes.GetValueOrDefault((string?)trace.Attribute("brushRef") is { Length: > 1 } name ? name[1..] : "");
            var points = format.PointsOf(trace.Value);
            for (var from = 0; from < points.Count; from += Limits.InkPoints - 1)
            {
                var piece = points.Skip(from).Take(Limits.InkPoints).ToList();
                if (from > 0 && piece.Count == 1) break;
                strokes.Add(new([.. piece.Select(p => p with { Ms = Math.Clamp(p.Ms - piece[0].Ms, 0, LongestMs) })], ColourOf(brush), WidthOf(brush)));
            }

            if (strokes.Count > MostStrokes) throw new FormatException($"The file has more than {MostStrokes} strokes.");
        }

        return strokes.ToImmutable();
    }

    private static XElement Load(Stream file)
    {
        try
        {
            using var copy = new MemoryStream();
            file.CopyTo(copy);
            using (var whole = Reader(copy))
            {
                while (whole.Read())
                {
                    if (whole.Depth > Deepest) throw new FormatException($"The file has elements in one another, more than {Deepest} deep.");
                }
            }

            using var reader = Reader(copy);
            return XElement.Load(reader);
        }
        catch (XmlException e)
        {
            throw new FormatException($"The file is not InkML, or it is damaged in line {e.LineNumber}.", e);
        }
    }

    private static XmlReader Reader(MemoryStream file)
    {
        file.Position = 0;
        return XmlReader.Create(file, new XmlReaderSettings { DtdProcessing = DtdProcessing.Prohibit, XmlResolver = null, MaxCharactersInDocument = MaxBytes });
    }

    private static XElement BrushOf((int Rgb, int Width) look, int number)
    {
        XElement Property(string name, string value, string? unit) =>
            new(s_ink + "brushProperty", new XAttribute("name", name), new XAttribute("value", value), unit is null ? null : new XAttribute("units", unit));
        return new XElement(
            s_ink + "brush", new XAttribute(s_id, $"pen{number}"), Property("color", $"#{look.Rgb:x6}", null),
            Property("width", (look.Width / UnitsPerMm).ToString("0.##", CultureInfo.InvariantCulture), "mm"));
    }

    private static string? PropertyOf(XElement? brush, string name) =>
        (string?)brush?.Elements(s_ink + "brushProperty").FirstOrDefault(p => string.Equals((string?)p.Attribute("name"), name, StringComparison.Ordinal))?.Attribute("value");

    private static int ColourOf(XElement? brush) =>
        PropertyOf(brush, "color") is ['#', .. var hex] && int.TryParse(hex, NumberStyles.HexNumber, CultureInfo.InvariantCulture, out var rgb) ? rgb & 0xffffff : 0;

    private static int WidthOf(XElement? brush) =>
        double.TryParse(PropertyOf(brush, "width"), CultureInfo.InvariantCulture, out var mm) && mm > 0 ? (int)Math.Clamp(mm * UnitsPerMm, 10, 1_000) : UsualWidth;

    /// <summary>Which number of a point is what, and in which unit.</summary>
    private sealed class TraceFormat
    {
        private readonly List<(string Name, double Factor)> _channels = [];

        public TraceFormat(XElement? format)
        {
            foreach (var channel in format?.Elements(s_ink + "channel") ?? []) _channels.Add(((string?)channel.Attribute("name") ?? "", FactorOf((string?)channel.Attribute("units"))));

            // What the recommendation takes for granted.
            if (_channels.Count == 0) _channels.AddRange([("X", 1), ("Y", 1)]);
        }

        public List<InkPoint> PointsOf(string trace)
        {
            var points = new List<InkPoint>();
            var last = new double[_channels.Count];
            var speed = new double[_channels.Count];
            var modes = new char[_channels.Count];
            Array.Fill(modes, '!');
            foreach (var text in trace.Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            {
                var values = Tokens(text).ToList();
                if (values.Count < 2) throw new FormatException("A point of the file has fewer than two numbers.");
                for (var i = 0; i < _channels.Count && i < values.Count; i++) Step(values[i], ref last[i], ref speed[i], ref modes[i]);
                points.Add(new InkPoint(Value("X", last), Value("Y", last), (byte)Math.Clamp(Plain("F", last, 128), 0, 255), Math.Max(0, Plain("T", last, points.Count * 10))));
            }

            return points;
        }

        // Section 3.2.2 of the recommendation: ! for a value, ' for its difference, " for the difference of differences, * for the same again.
        private static void Step(string token, ref double last, ref double speed, ref char mode)
        {
            if (token[0] is '!' or '\'' or '"')
            {
                mode = token[0];
                token = token[1..];
            }

            if (token is "*")
            {
                last += speed;
                return;
            }

            if (!double.TryParse(token, CultureInfo.InvariantCulture, out var number) || Math.Abs(number) > 1e9) throw new FormatException($"\"{token}\" is not a number that ink can have.");
            if (mode == '"') number += speed;
            var before = last;
            last = mode == '!' ? number : last + number;
            speed = mode == '!' ? 0 : last - before;
        }

        private static IEnumerable<string> Tokens(string text)
        {
            var token = new StringBuilder();
            foreach (var c in text)
            {
                var begins = c is '!' or '\'' or '"' or '*' || (c == '-' && token.Length > 0 && char.IsDigit(token[^1]));
                if ((char.IsWhiteSpace(c) || begins) && token.Length > 0 && !(begins && token[^1] is '!' or '\'' or '"'))
                {
                    yield return token.ToString();
                    token.Clear();
                }

                if (!char.IsWhiteSpace(c)) token.Append(c);
            }

            if (token.Length > 0) yield return token.ToString();
        }

        private static double FactorOf(string? unit) => unit switch
        {
            "mm" => UnitsPerMm,
            "cm" => UnitsPerMm * 10,
            "m" => UnitsPerMm * 1_000,
            "in" => UnitsPerMm * 25.4,
            "pt" => UnitsPerMm * 25.4 / 72,
            _ => 1,
        };

        private int Value(string name, double[] values)
        {
            var at = _channels.FindIndex(c => string.Equals(c.Name, name, StringComparison.Ordinal));
            return at < 0 ? 0 : (int)Math.Clamp(Math.Round(values[at] * _channels[at].Factor), -Limits.Reach, Limits.Reach);
        }

        private int Plain(string name, double[] values, int otherwise)
        {
            var at = _channels.FindIndex(c => string.Equals(c.Name, name, StringComparison.Ordinal));
            return at < 0 ? otherwise : (int)Math.Round(values[at]);
        }
    }
}
