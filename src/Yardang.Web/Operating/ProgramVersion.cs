using System.Reflection;

namespace Yardang.Web.Operating;

/// <summary>Which version of the program this is.</summary>
public static class ProgramVersion
{
    /// <summary>As <c>./yardang publish</c> wrote it: the day and the commit.</summary>
    public static string Text { get; } = typeof(ProgramVersion).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion ?? "";
}
