using Microsoft.Extensions.Localization;
using Yardang.Core.Marks;

namespace Yardang.Web.Pages;

/// <summary>The texts about what is shown on pages.</summary>
public static class ShownTexts
{
    // What is shown is called by what it is.
    private static readonly string[] s_shown = ["Voice", "Film", "File", "Link"];

    /// <summary>What can be said of it, by the names the scripts use.</summary>
    public static Dictionary<string, object> In(IStringLocalizer<UiTexts> texts)
    {
        var all = AttachmentTexts.In(texts);
        foreach (var (name, text) in PageData.Texts(texts, "Shown", "SharesOnItsWay", "NotHere", "UntilYouMay", "EnoughShown", "Open")) all[name] = text;
        foreach (var (name, text) in PageData.Texts(texts, "Wall", "TakeOff", "FileTooLarge")) all[name] = text;
        return all;
    }

    /// <summary>What the kinds of marks are called.</summary>
    public static Dictionary<string, string> Kinds(IStringLocalizer<UiTexts> texts) =>
        MarkBody.Kinds.Select(k => $"{char.ToUpperInvariant(k[0])}{k[1..]}").Concat(s_shown).ToDictionary(k => $"{char.ToLowerInvariant(k[0])}{k[1..]}", k => texts[$"Marks.{k}"].Value, StringComparer.Ordinal);
}
