using Microsoft.Extensions.Localization;
using Yardang.Core.Rooms;

namespace Yardang.Web.Pages;

/// <summary>The texts that a page on which one works hands to its scripts, whether a board or a wall stands on it.</summary>
public static class WorkTexts
{
    private static Dictionary<string, object> ModerationOf(IStringLocalizer<UiTexts> texts)
    {
        var moderation = PageData.Texts(
            texts, "Moderation", "Tell", "TellOf", "IsTold", "WillLook", "TellTitle", "TellWhy", "Reason1", "Reason2", "Reason3", "Reason4", "TellMore", "TellWho", "TellSend", "SayWhy", "WhyTitle", "WhyWords", "Removes", "WhyKeep", "ItsAuthor", "JustDown", "JustDownMany", "Undo", "Close", "NotShown", "NotForAuthor", "TookDown", "TookDownWhy");
        moderation["cancel"] = texts["Wall.Cancel"].Value;
        return moderation;
    }

    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> For(IStringLocalizer<UiTexts> texts)
    {
        var all = PageData.Texts(
            texts, "Board", "Kept", "Sending", "KeptHere", "KeepOpen", "SetAside", "KeptBack", "Masked", "Returned", "ReturnedNow", "LeftOff", "LeftOffSilently", "NoLongerFits", "PensDown", "Closed", "CopyWaits", "CopyBusy", "CopyNo", "Opening", "NotReached", "TryOut", "OnlyLook", "Moving", "MovedToGroup", "MovedToOwn", "MovedToPart", "PartOpened", "LeftKept", "LeftWaiting", "LeftLost", "ChangedSince", "RefusedOther", "HandIn", "HandedIn", "DueAt", "LateSince", "Led", "PenDownMine", "Choosing", "NotInPhase", "ActWrite", "ActAnswer", "ActMove", "ActJudge", "TimeOver", "PausedUntil", "HeldWhy");
        all["moderation"] = ModerationOf(texts);
        all["refused"] = Enum.GetValues<Refusal>()
            .Select(r => (Reason: r, Text: texts[$"Refused.{r}"]))
            .Where(r => !r.Text.ResourceNotFound)
            .ToDictionary(r => ((int)r.Reason).ToString(System.Globalization.CultureInfo.InvariantCulture), r => r.Text.Value, StringComparer.Ordinal);
        return all;
    }
}
