using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using SkiaSharp;
using Yardang.Core.History;
using Yardang.Core.Pages;

namespace Yardang.Rendering;

/// <summary>How a page came to be as an animated SVG, drawn by the one painter. Where nothing moves it shows the page as it is in the end.</summary>
public static partial class FilmExport
{
    private const float PixelsPerUnit = 96f / 2540f;

    // It rests at the end before it begins anew.
    private const double Rest = 3;
    private const int MostBytes = 30 * 1024 * 1024;

    /// <summary>The film, over and over.</summary>
    /// <exception cref="TooLargeException">It would have more than 30 MB.</exception>
    public static byte[] Svg(Page page, LengthUnit unit, PageFilm film, Func<string, byte[]?> picture, string title, CancellationToken stop = default)
    {
        var (width, height) = (page.Size.Width * PixelsPerUnit, page.Size.Height * PixelsPerUnit);
        using var pictures = new PictureShelf();
        var support = new PaintSupport(unit, name => pictures.Find(name, picture));
        var all = new StringBuilder();
        all.Append(CultureInfo.InvariantCulture, $"""<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="{width:0.##}" height="{height:0.##}" viewBox="0 0 {width:0.##} {height:0.##}"><title>""");
        all.Append(System.Security.SecurityElement.Escape(title)).Append("</title>");
        all.Append(Layer(page, 0, canvas => PagePainter.Paint(canvas, page, [], support)));
        var lasts = film.Seconds + Rest;
        for (var nth = 0; nth < film.Marks.Length; nth++)
        {
            stop.ThrowIfCancellationRequested();
            var shown = film.Marks[nth];
            all.Append(CultureInfo.InvariantCulture, $"""<g visibility="{(shown.Until >= film.Seconds ? "visible" : "hidden")}">""").Append(Animation(shown, film.Seconds, lasts));
            all.Append(Layer(page, nth + 1, canvas => PagePainter.PaintMark(canvas, page, shown.Mark, support))).Append("</g>");
            if (all.Length > MostBytes) throw new TooLargeException("The picture has grown too large.");
        }

        return Encoding.UTF8.GetBytes(all.Append("</svg>").ToString());
    }

    private static string Animation(FilmedMark shown, double seconds, double lasts)
    {
        if (shown.From <= 0 && shown.Until >= seconds) return "";
        var (values, times) = (new List<string> { shown.From <= 0 ? "visible" : "hidden" }, new List<double> { 0 });
        if (shown.From > 0)
        {
            values.Add("visible");
            times.Add(shown.From / lasts);
        }

        if (shown.Until < seconds)
        {
            values.Add("hidden");
            times.Add(shown.Until / lasts);
        }

        var at = string.Join(';', times.Select(t => t.ToString("0.#####", CultureInfo.InvariantCulture)));
        return string.Create(CultureInfo.InvariantCulture, $"""<animate attributeName="visibility" calcMode="discrete" values="{string.Join(';', values)}" keyTimes="{at}" dur="{lasts:0.###}s" repeatCount="indefinite"/>""");
    }

    // Each has names of its own for what it refers to, and the file has room for all of them.
    private static string Layer(Page page, int nth, Action<SKCanvas> paint)
    {
        using var stream = new MemoryStream();
        using (var canvas = SKSvgCanvas.Create(new SKRect(0, 0, page.Size.Width * PixelsPerUnit, page.Size.Height * PixelsPerUnit), stream))
        {
            canvas.Scale(PixelsPerUnit);
            paint(canvas);
        }

        var svg = Encoding.UTF8.GetString(stream.GetBuffer(), 0, (int)stream.Length);
        var inside = svg[(svg.IndexOf('>', svg.IndexOf("<svg", StringComparison.Ordinal)) + 1)..svg.LastIndexOf("</svg>", StringComparison.Ordinal)];
        return Names().Replace(inside, match => $"{match.Value}n{nth}-");
    }

    [GeneratedRegex("""\sid="|url\(#|href="#""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex Names();
}
