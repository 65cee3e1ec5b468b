using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace Yardang.Web.Tests;

public partial class ArchitectureTests
{
    private static readonly string s_web = Path.Combine(Root(), "src", "Yardang.Web");

    [Theory]
    [InlineData(typeof(Core.Rooms.Room), "System.")]
    [InlineData(typeof(Rendering.PagePainter), "System.|Yardang.Core|SkiaSharp|HarfBuzzSharp")]
    public void Dependencies_point_one_way(Type inside, string allowed)
    {
        var others = inside.Assembly.GetReferencedAssemblies().Select(a => a.Name!).Where(n => !allowed.Split('|').Any(a => n.StartsWith(a, StringComparison.Ordinal)));
        Assert.Empty(others);
    }

    [Fact]
    public void Data_knows_nothing_of_the_web_or_of_rendering() =>
        Assert.DoesNotContain(typeof(Data.Log.EventLog).Assembly.GetReferencedAssemblies(), a => a.Name is "Yardang.Web" or "Yardang.Rendering" or "Yardang.Headless");

    [Fact]
    public void Every_text_that_a_page_names_is_in_the_resource_file()
    {
        var known = XDocument.Load(Path.Combine(s_web, "Resources", "UiTexts.resx")).Descendants("data").Select(d => d.Attribute("name")!.Value).ToHashSet(StringComparer.Ordinal);
        var used = Directory.EnumerateFiles(s_web, "*.cs*", SearchOption.AllDirectories)
            .Where(f => !f.Contains("/obj/", StringComparison.Ordinal) && !f.Contains("node_modules", StringComparison.Ordinal))
            .Select(File.ReadAllText)
            .SelectMany(text => NamedText().Matches(text).Select(m => m.Groups["key"].Value)
                .Concat(HandedToScripts().Matches(text).SelectMany(m => m.Groups["name"].Captures.Select(c => $"{m.Groups["prefix"].Value}.{c.Value}"))));
        Assert.Empty(used.Where(k => !known.Contains(k)).Distinct());
    }

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Yardang.slnx"))) folder = folder.Parent!;
        return folder.FullName;
    }

    [GeneratedRegex("""(T|texts)\["(?<key>[^"]+)"[\],]""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex NamedText();

    [GeneratedRegex("""PageData\.Texts\(\s*texts, "(?<prefix>\w+)"(, "(?<name>\w+)")+""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex HandedToScripts();
}
