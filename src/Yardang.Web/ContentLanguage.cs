using System.Globalization;

namespace Yardang.Web;

/// <summary>The language in which a teacher's texts are written and shown: that of the interface.</summary>
public static class ContentLanguage
{
    private const string First = "en";

    /// <summary>Two-letter code. What the server does by itself, it does in English.</summary>
    public static string Current => CultureInfo.CurrentUICulture.Equals(CultureInfo.InvariantCulture) ? First : CultureInfo.CurrentUICulture.TwoLetterISOLanguageName;
}
