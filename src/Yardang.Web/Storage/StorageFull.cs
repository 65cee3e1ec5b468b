using Microsoft.Extensions.Localization;

namespace Yardang.Web.Storage;

/// <summary>How it is said that there is no room for a file.</summary>
public static class StorageFull
{
    /// <summary>The answer to whoever sent it.</summary>
    public static IResult Said(StorageOf full, IStringLocalizer<UiTexts> texts) => Results.Json(new { fault = texts[$"Storage.Full.{full}"].Value }, statusCode: StatusCodes.Status507InsufficientStorage);
}
