using Yardang.Core.Cupboard;
using Yardang.Rendering;

namespace Yardang.Web.Links;

/// <summary>The stand-in for looking pages up: it knows some invented sites, and leaves the server for none; their pictures are the program's own drawings. Of any other page it knows nothing.</summary>
public sealed class SimulatedSites : ILinkPreviews
{
    private const int PicturePixels = 480;

    // Title, site, and what is drawn.
    private static readonly Dictionary<string, (string Title, string Site, string Drawn)> s_pages = new(StringComparer.OrdinalIgnoreCase)
    {
        ["bridges.ostlebrook.example"] = ("All bridges over the Ostle", "Bridges of the Ostle Valley", "suspension"),
        ["bridges.ostlebrook.example/old"] = ("The old stone bridge, built in 1684", "Bridges of the Ostle Valley", "old"),
        ["bridges.ostlebrook.example/school"] = ("The school bridge: a truss of larch", "Bridges of the Ostle Valley", "truss"),
        ["museum.ostlebrook.example"] = ("How the miller crossed the brook", "Museum of the Mill", "log"),
        ["museum.ostlebrook.example/models"] = ("Twelve models of bridges to build from paper", "Museum of the Mill", "paper"),
        ["forces.classroom.example"] = ("Push, pull, bend, twist: forces drawn", "Forces for the Classroom", "force"),
        ["forces.classroom.example/arch"] = ("Why an arch does not fall", "Forces for the Classroom", "keystone"),
        ["forces.classroom.example/truss"] = ("Triangles that hold: the truss", "Forces for the Classroom", "truss"),
        ["news.ostlebrook.example/flood"] = ("After the flood: the ford is closed", "Ostlebrook Courier", "brook"),
        ["news.ostlebrook.example/new-bridge"] = ("Where should the new bridge stand?", "Ostlebrook Courier", "route"),
        ["weather.ostlebrook.example"] = ("Water in the brook, day by day", "Ostlebrook Weather", "rain"),
        ["words.classroom.example/bridge"] = ("Bridge: the word and its relatives", "Words for the Classroom", ""),
    };

    /// <inheritdoc/>
    public Task<LinkPreview?> OfAsync(Uri address, CancellationToken stop) => Task.FromResult(
        s_pages.TryGetValue($"{address.Host}{address.AbsolutePath.TrimEnd('/')}", out var page) ? new LinkPreview(page.Title, page.Site, PictureOf(page.Drawn)) : null);

    private static byte[]? PictureOf(string drawn) => drawn.Length > 0 && Drawings.Search(drawn, "en").FirstOrDefault() is { } drawing ? DrawingExport.Png(drawing, PicturePixels) : null;
}
