using Microsoft.Extensions.Localization;
using Yardang.Core.Threads;

namespace Yardang.Web.Exports;

/// <summary>Answers in words, on paper and in tables: what each says, and how, where it was not written.</summary>
public static class AnswerWords
{
    /// <summary>What an answer says.</summary>
    public static string Of(Answer answer, IStringLocalizer<UiTexts> texts)
    {
        string[] how = [.. answer.Aloud ? [texts["Wall.SaidAloud"].Value] : Array.Empty<string>(), .. answer.Shown is { } shown ? [ShownWords.Of(shown, texts)] : Array.Empty<string>()];
        var said = string.Join(", ", how);
        return how.Length == 0 ? answer.Text : answer.Text.Length == 0 ? said : $"{answer.Text} ({said})";
    }
}
