using Microsoft.Extensions.Localization;
using Yardang.Core.Attachments;

namespace Yardang.Web.Exports;

/// <summary>What is shown beside words, in words: what it is, how long it lasts, and what it says.</summary>
public static class ShownWords
{
    /// <summary>In a line.</summary>
    public static string Of(Attachment attachment, IStringLocalizer<UiTexts> texts) =>
        attachment.Said() is { Length: > 0 } words ? $"{KindOf(attachment, texts)}: {words}" : KindOf(attachment, texts);

    /// <summary>What it is, and how long it lasts.</summary>
    public static string KindOf(Attachment attachment, IStringLocalizer<UiTexts> texts)
    {
        var kind = texts[$"Wall.{attachment switch { PictureAttachment => "Picture", DrawingAttachment => "Drawing", FormulaAttachment => "Formula", LinkAttachment => "WebPage", VoiceAttachment => "Voice", FilmAttachment => "Film", FileAttachment => "File", _ => "MapPlace" }}"].Value;
        return attachment.Lasts() > 0 ? $"{kind}, {Recordings.Time(attachment.Lasts())}" : kind;
    }
}
