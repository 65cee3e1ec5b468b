using System.Net;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using Yardang.Web.Pages;

namespace Yardang.Web.Tests.Languages;

/// <summary>The interface in each of its languages: complete, and chosen by the browser or by whoever sits before it.</summary>
public partial class InterfaceLanguageTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public static TheoryData<string> Others => [.. LanguageModel.Offered.Where(l => l != "en")];

    [Theory]
    [MemberData(nameof(Others))]
    public void Every_text_is_there_in_every_language_with_the_same_places_for_values(string language)
    {
        var english = TextsIn("UiTexts.resx");
        var other = TextsIn($"UiTexts.{language}.resx");
        Assert.Empty(english.Keys.Except(other.Keys, StringComparer.Ordinal));
        Assert.Empty(other.Keys.Except(english.Keys, StringComparer.Ordinal));
        Assert.Empty(english.Where(t => !Places(t.Value).SequenceEqual(Places(other[t.Key]), StringComparer.Ordinal)).Select(t => t.Key));
        Assert.Empty(other.Where(t => string.IsNullOrWhiteSpace(t.Value)).Select(t => t.Key));
    }

    [Theory]
    [InlineData("es-MX,es;q=0.9,en;q=0.8", "es", "Entra en tu clase")]
    [InlineData("fr,en;q=0.5", "en", "Join your lesson")]
    [InlineData("fr", "en", "Join your lesson")]
    public async Task The_browser_says_which_language_unless_somebody_has_chosen(string accepts, string language, string heading)
    {
        await using var school = new TestSchool();
        var browser = school.Visitor();
        browser.DefaultRequestHeaders.Add("Accept-Language", accepts);
        var front = WebUtility.HtmlDecode(await browser.GetStringAsync("/", Stop));
        Assert.Contains(heading, front);
        Assert.Contains($"<html lang=\"{language}\">", front);

        var wanted = language == "es" ? "en" : "es";
        using (await TestSchool.PostAsync(browser, "/", new() { ["language"] = wanted, ["returnUrl"] = "/start" }, "/language"))
        {
            Assert.Contains($"<html lang=\"{wanted}\">", await browser.GetStringAsync("/start", Stop));
        }
    }

    [Fact]
    public async Task A_language_that_is_not_offered_and_an_address_elsewhere_change_nothing()
    {
        await using var school = new TestSchool();
        var browser = school.Visitor();
        using var answer = await TestSchool.PostAsync(browser, "/", new() { ["language"] = "xx", ["returnUrl"] = "https://elsewhere.example/" }, "/language");
        Assert.Equal("/", answer.Headers.Location!.ToString());
        Assert.Contains("<html lang=\"en\">", await browser.GetStringAsync("/?culture=es", Stop));
    }

    [Fact]
    public async Task Days_are_named_in_the_language_of_the_page()
    {
        await using var school = new TestSchool();
        var (teacher, id) = await school.TeacherAsync("Ilse Varga");
        await school.HandOutAsync(id);
        teacher.DefaultRequestHeaders.Add("Accept-Language", "es");
        Assert.Matches("(enero|febrero|marzo|abril|mayo|junio|julio|agosto|septiembre|octubre|noviembre|diciembre)", await teacher.GetStringAsync("/desk", Stop));
    }

    private static Dictionary<string, string> TextsIn(string file)
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "Yardang.slnx"))) folder = folder.Parent!;
        return XDocument.Load(Path.Combine(folder.FullName, "src", "Yardang.Web", "Resources", file)).Descendants("data")
            .ToDictionary(d => d.Attribute("name")!.Value, d => d.Element("value")!.Value, StringComparer.Ordinal);
    }

    private static IEnumerable<string> Places(string text) => PlacePattern().Matches(text).Select(m => m.Value).Order(StringComparer.Ordinal);

    [GeneratedRegex(@"\{\d\}", RegexOptions.None, 1_000)]
    private static partial Regex PlacePattern();
}
