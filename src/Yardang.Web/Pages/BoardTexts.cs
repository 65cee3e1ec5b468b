using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;

namespace Yardang.Web.Pages;

/// <summary>The texts that a page with a board or draft on it hands to its scripts.</summary>
public static class BoardTexts
{
    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> For(IStringLocalizer<UiTexts> texts)
    {
        var all = PageData.Texts(
            texts, "Board", "Kept", "Sending", "KeptHere", "SetAside", "PensDown", "Closed", "Opening", "NotReached", "TryOut", "RefusedOther");
        foreach (var (name, text) in PageData.Texts(texts, "Marks", "Ink", "Text", "Note", "Printed", "Mine", "Teacher", "Other", "Empty")) all[name] = text;
        all["refused"] = Enum.GetValues<Refusal>()
            .Select(r => (Reason: r, Text: texts[$"Refused.{r}"]))
            .Where(r => !r.Text.ResourceNotFound)
            .ToDictionary(r => ((int)r.Reason).ToString(System.Globalization.CultureInfo.InvariantCulture), r => r.Text.Value, StringComparer.Ordinal);
        return all;
    }
}
