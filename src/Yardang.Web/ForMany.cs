namespace Yardang.Web;

/// <summary>Work that one asks for and others wait for too.</summary>
internal static class ForMany
{
    /// <summary>Begins it apart from the request that asked first: it goes on when whoever sent that has gone away.</summary>
    public static Task<T> BeginAsync<T>(Func<Task<T>> work)
    {
        using (ExecutionContext.SuppressFlow()) return Task.Run(work);
    }
}
