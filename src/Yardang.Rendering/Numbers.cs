using System.Globalization;

namespace Yardang.Rendering;

/// <summary>Numbers on a page, with the decimal sign of whoever prints it, as <c>numbers.ts</c> does for whoever looks at it.</summary>
internal static class Numbers
{
    /// <summary>A measure or a number of an axis, as the reader's language writes it.</summary>
    public static string AsRead(string number) => number.Replace(".", CultureInfo.CurrentCulture.NumberFormat.NumberDecimalSeparator, StringComparison.Ordinal);
}
