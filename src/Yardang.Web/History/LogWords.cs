using Microsoft.Extensions.Localization;
using Yardang.Core.History;

namespace Yardang.Web.History;

/// <summary>What was done, in words.</summary>
internal static class LogWords
{
    /// <summary>As it follows the name of who did it.</summary>
    public static string Did(this IStringLocalizer<UiTexts> texts, LogLine line)
    {
        var (key, one) = ($"History.Did.{line.What}", $"History.Did.{line.What}One");
        return texts[line.Things.Length == 1 && !texts[one].ResourceNotFound ? one : key, line.Things.Length];
    }
}
