using System.Globalization;
using Microsoft.AspNetCore.Http;

namespace Yardang.Web.Tests.Languages;

/// <summary>In which language somebody reads before their page can choose.</summary>
public class ReaderLanguagesTests
{
    [Theory]
    [InlineData("es-MX,es;q=0.9,en;q=0.8", "es es en")]
    [InlineData("en;q=0.3, AR;q=0.9", "ar en")]
    [InlineData("", "")]
    [InlineData(";=;,,", "")]
    public void The_browsers_languages_count_the_best_first(string header, string expected)
    {
        var context = new DefaultHttpContext();
        if (header.Length > 0) context.Request.Headers.AcceptLanguage = header;
        Assert.Equal(expected, string.Join(' ', ReaderLanguages.Of(context)));
    }

    [Theory]
    [InlineData("es-MX", "es")]
    [InlineData("en-GB", "en")]
    [InlineData("", "en")]
    public void What_the_server_does_by_itself_it_does_in_English(string culture, string expected)
    {
        var before = CultureInfo.CurrentUICulture;
        try
        {
            CultureInfo.CurrentUICulture = CultureInfo.GetCultureInfo(culture);
            Assert.Equal(expected, ContentLanguage.Current);
        }
        finally
        {
            CultureInfo.CurrentUICulture = before;
        }
    }
}
