using System.Text.RegularExpressions;

namespace Yardang.Web.Tests.Server;

/// <summary>Styles that only some pages need are named by each page that uses them.</summary>
public partial class StylesTests
{
    [Fact]
    public void A_page_names_the_styles_of_the_classes_that_it_uses()
    {
        var pages = Path.Combine(TestSchool.Repository, "src", "Yardang.Web", "Pages");
        var client = Path.Combine(TestSchool.Repository, "src", "Yardang.Web", "Client");
        var onlySome = Quoted().Matches(File.ReadAllText(Path.Combine(client, "build.mjs"))).Select(m => m.Groups["file"].Value).Select(f => Path.Combine(pages, f)).Where(File.Exists).ToList();
        Assert.True(onlySome.Count > 8);
        var everywhere = string.Concat(Directory.GetFiles(pages, "*.css", SearchOption.AllDirectories).Concat(Directory.GetFiles(client, "*.css", SearchOption.AllDirectories)).Except(onlySome).Select(File.ReadAllText));
        var classes = onlySome.SelectMany(f => Rule().Matches(File.ReadAllText(f)).Select(m => (Class: m.Groups["class"].Value, Styles: Path.GetFileNameWithoutExtension(f))))
            .Where(c => !Regex.IsMatch(everywhere, $@"\.{c.Class}\b", RegexOptions.ExplicitCapture, TimeSpan.FromSeconds(1))).ToLookup(c => c.Class, c => c.Styles, StringComparer.Ordinal);

        var missing = new List<string>();
        foreach (var file in Directory.GetFiles(pages, "*.cshtml", SearchOption.AllDirectories))
        {
            var page = File.ReadAllText(file);
            if (!page.StartsWith("@page", StringComparison.Ordinal)) continue;
            var named = Named().Matches(page).SelectMany(m => Word().Matches(m.Value)).Select(m => m.Value).ToHashSet(StringComparer.Ordinal);
            var used = Used().Matches(page).SelectMany(m => Word().Matches(m.Groups["classes"].Value)).Select(m => m.Value).Distinct(StringComparer.Ordinal);
            missing.AddRange(used.Where(c => classes.Contains(c) && !classes[c].Any(named.Contains)).Select(c => $"{Path.GetFileName(file)}: {c} of {string.Join(" or ", classes[c])}"));
        }

        Assert.Empty(missing);
    }

    [GeneratedRegex(@"'(?<file>\w+/[\w-]+\.css)'", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Quoted();

    [GeneratedRegex(@"^  \.(?<class>[a-z][\w-]*)", RegexOptions.Multiline | RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Rule();

    [GeneratedRegex(@"ViewData\[""Styles""\] = [^;]*;", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Named();

    [GeneratedRegex(@"class=""(?<classes>[^""]*)""", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Used();

    [GeneratedRegex(@"[\w-]+", RegexOptions.ExplicitCapture, 1000)]
    private static partial Regex Word();
}
