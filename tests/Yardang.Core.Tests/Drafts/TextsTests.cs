using Yardang.Core.Pages;


namespace Yardang.Core.Tests.Drafts;

/// <summary>A teacher's text in several languages.</summary>
public class TextsTests
{
    private static readonly Texts s_piers = Texts.In("en", "Piers").With("es", "Pilares");

    [Fact]
    public void It_is_read_in_the_first_language_in_which_it_is_there_and_in_none_if_it_is_in_none()
    {
        Assert.Equal("Pilares", s_piers.In(["fi", "es", "en"]));
        Assert.Null(s_piers.In(["fi"]));
        Assert.Null(Texts.None.In(["en"]));
    }

    [Fact]
    public void A_text_that_is_emptied_is_there_no_longer()
    {
        Assert.Equal(["en"], s_piers.With("es", "").ByLanguage.Keys);
        Assert.True(s_piers.With("es", "").With("en", "").IsEmpty);
    }
}
