using Microsoft.Extensions.Localization;

namespace Yardang.Web.Pages;

/// <summary>The texts with which attachments are shown, wherever they are.</summary>
public static class AttachmentTexts
{
    private static readonly string[] s_names = ["Picture", "Drawing", "Formula", "MapPlace", "WebPage", "LinkHere", "Voice", "VoicePlay", "VoicePause", "VoiceNoWords", "Film", "FilmPlay", "FilmLarge", "File", "FileSave"];

    /// <summary>All of them, by the names the scripts use.</summary>
    public static Dictionary<string, object> In(IStringLocalizer<UiTexts> texts) => PageData.Texts(texts, "Wall", s_names);
}
