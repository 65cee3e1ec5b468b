namespace Yardang.Web.Links;

/// <summary>The stand-in for looking pages up: it knows some invented sites, and leaves the server for none. Of any other page it knows nothing.</summary>
public sealed class SimulatedSites : ILinkPreviews
{
    private static readonly Dictionary<string, LinkPreview> s_pages = new(StringComparer.OrdinalIgnoreCase)
    {
        ["bridges.ostlebrook.example"] = new("All bridges over the Ostle", "Bridges of the Ostle Valley"),
        ["bridges.ostlebrook.example/old"] = new("The old stone bridge, built in 1684", "Bridges of the Ostle Valley"),
        ["bridges.ostlebrook.example/school"] = new("The school bridge: a truss of larch", "Bridges of the Ostle Valley"),
        ["museum.ostlebrook.example"] = new("How the miller crossed the brook", "Museum of the Mill"),
        ["museum.ostlebrook.example/models"] = new("Twelve models of bridges to build from paper", "Museum of the Mill"),
        ["forces.classroom.example"] = new("Push, pull, bend, twist: forces drawn", "Forces for the Classroom"),
        ["forces.classroom.example/arch"] = new("Why an arch does not fall", "Forces for the Classroom"),
        ["forces.classroom.example/truss"] = new("Triangles that hold: the truss", "Forces for the Classroom"),
        ["news.ostlebrook.example/flood"] = new("After the flood: the ford is closed", "Ostlebrook Courier"),
        ["news.ostlebrook.example/new-bridge"] = new("Where should the new bridge stand?", "Ostlebrook Courier"),
        ["weather.ostlebrook.example"] = new("Water in the brook, day by day", "Ostlebrook Weather"),
        ["words.classroom.example/bridge"] = new("Bridge: the word and its relatives", "Words for the Classroom"),
    };

    /// <inheritdoc/>
    public Task<LinkPreview?> OfAsync(Uri address, CancellationToken stop) => Task.FromResult(s_pages.GetValueOrDefault($"{address.Host}{address.AbsolutePath.TrimEnd('/')}"));
}
