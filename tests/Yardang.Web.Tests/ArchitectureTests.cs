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

    // By what a file says that it uses; a qualified name counts too.
    [Fact]
    public void No_folder_of_the_core_needs_one_that_needs_it()
    {
        var core = Path.Combine(Root(), "src", "Yardang.Core");
        var folders = Directory.EnumerateDirectories(core).Select(d => Path.GetFileName(d)).Where(d => d is not ("bin" or "obj")).ToList();
        var needs = folders.ToDictionary(
            folder => folder,
            folder => Directory.EnumerateFiles(Path.Combine(core, folder), "*.cs", SearchOption.AllDirectories)
                .SelectMany(file => CoreNames().Matches(Comments().Replace(File.ReadAllText(file), "")).Select(m => m.Groups["folder"].Value))
                .Where(other => !string.Equals(other, folder, StringComparison.Ordinal) && folders.Contains(other)).ToHashSet(StringComparer.Ordinal), StringComparer.Ordinal);
        Assert.True(needs["Boards"].Contains("Editing"), "Nothing was found that boards need: this test would see no cycle.");
        var left = needs.Keys.ToHashSet(StringComparer.Ordinal);
        while (left.FirstOrDefault(folder => !needs[folder].Overlaps(left)) is { } free) left.Remove(free);
        Assert.True(left.Count == 0, $"In a cycle, or needing one: {string.Join(", ", left.Select(l => $"{l} ({string.Join(' ', needs[l].Intersect(left))})"))}");
    }

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

    [GeneratedRegex(@"(using (static )?Yardang\.Core\.|(?<![\w.])(Yardang\.)?Core\.|(?<![\w.\""])(?=[A-Z]\w+\.[A-Z]))(?<folder>[A-Z]\w+)\b", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex CoreNames();

    [GeneratedRegex("//[^\n]*", RegexOptions.None, 1_000)]
    private static partial Regex Comments();

    [GeneratedRegex("""(T|texts)\["(?<key>[^"]+)"[\],]""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex NamedText();

    [GeneratedRegex("""PageData\.Texts\(\s*texts, "(?<prefix>\w+)"(, "(?<name>\w+)")+""", RegexOptions.ExplicitCapture, 1_000)]
    private static partial Regex HandedToScripts();
}
