using System.Globalization;

namespace Yardang.Web;

/// <summary>The language in which a teacher's texts are written and shown: that of the interface.</summary>
public static class ContentLanguage
{
    /// <summary>Two-letter code.</summary>
    public static string Current => CultureInfo.CurrentUICulture.TwoLetterISOLanguageName;
}
