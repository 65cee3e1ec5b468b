using Yardang.Core.Cupboard;

namespace Yardang.Core.Tests.Drafts;

public class DrawingsTests
{
    [Theory]
    [InlineData("bridge arch", "en", "Arch bridge")]
    [InlineData("puente arco", "es", "Arch bridge")]
    [InlineData("pez", "es", "Fish")]
    public void Drawings_are_found_by_the_beginnings_of_words_in_the_readers_language(string words, string language, string name) =>
        Assert.Contains(Drawings.Search(words, language), d => d.Name == name);

    [Fact]
    public void Accents_and_case_do_not_matter() => Assert.Equal("Oak tree", Drawings.Search("ROBLE arbol", "es").Single().Name);

    [Fact]
    public void English_words_find_them_in_every_language()
    {
        Assert.NotEmpty(Drawings.Search("hammer", "es"));
        Assert.NotEmpty(Drawings.Search("hammer", "pl"));
        Assert.Empty(Drawings.Search("martillo", "en"));
    }

    [Fact]
    public void A_name_is_in_the_readers_language_and_else_in_English()
    {
        Assert.Equal("Martillo", Drawings.NameIn(Drawings.All[16], "es"));
        Assert.Equal("Hammer", Drawings.NameIn(Drawings.All[16], "pl"));
    }

    [Fact]
    public void Every_drawing_has_a_name_of_its_own_in_Spanish() =>
        Assert.Equal(Drawings.All.Length, Drawings.All.Select(d => Drawings.NameIn(d, "es")).Where(n => n.Length > 0).Distinct(StringComparer.Ordinal).Count());

    [Fact]
    public void Without_words_all_are_found() => Assert.Equal(Drawings.All.Length, Drawings.Search(" ", "es").Count());
}
