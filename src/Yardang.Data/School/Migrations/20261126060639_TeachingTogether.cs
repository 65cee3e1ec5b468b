using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Yardang.Data.School.Migrations
{
    /// <inheritdoc />
    public partial class TeachingTogether : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Language",
                table: "Participants",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Address",
                table: "Lessons",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "ClosesAt",
                table: "Lessons",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<long>(
                name: "DueAt",
                table: "Lessons",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "EmbedKey",
                table: "Lessons",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Introduction",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<bool>(
                name: "IsOverdue",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Language",
                table: "Lessons",
                type: "TEXT",
                nullable: false,
                defaultValue: "en");

            migrationBuilder.AddColumn<string>(
                name: "Names",
                table: "Lessons",
                type: "TEXT",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.AddColumn<long>(
                name: "OpensAt",
                table: "Lessons",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "Waits",
                table: "Lessons",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Apart",
                table: "ClassLists",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "FirstNamesOnly",
                table: "ClassLists",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Plan",
                table: "ClassLists",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Seats",
                table: "ClassLists",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Together",
                table: "ClassLists",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Language",
                table: "ClassEntries",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<long>(
                name: "EndsAt",
                table: "AspNetUsers",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Names",
                table: "Activities",
                type: "TEXT",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.CreateTable(
                name: "CoTeachers",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    OfId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Email = table.Column<string>(type: "TEXT", nullable: false),
                    TeacherId = table.Column<Guid>(type: "TEXT", nullable: true),
                    Number = table.Column<int>(type: "INTEGER", nullable: false),
                    Role = table.Column<int>(type: "INTEGER", nullable: false),
                    InvitedAt = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CoTeachers", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "LateChanges",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    LessonId = table.Column<Guid>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Content = table.Column<byte[]>(type: "BLOB", nullable: false),
                    Pages = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_LateChanges", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "Outbox",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false),
                    To = table.Column<string>(type: "TEXT", nullable: false),
                    Subject = table.Column<string>(type: "TEXT", nullable: false),
                    Text = table.Column<string>(type: "TEXT", nullable: false),
                    Link = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Outbox", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "RoomRemovals",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_RoomRemovals", x => x.Id);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Participants_LessonId_ListNumber",
                table: "Participants",
                columns: new[] { "LessonId", "ListNumber" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_Address",
                table: "Lessons",
                column: "Address",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Lessons_EmbedKey",
                table: "Lessons",
                column: "EmbedKey",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_CoTeachers_OfId_Email",
                table: "CoTeachers",
                columns: new[] { "OfId", "Email" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_CoTeachers_OfId_Number",
                table: "CoTeachers",
                columns: new[] { "OfId", "Number" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_CoTeachers_TeacherId",
                table: "CoTeachers",
                column: "TeacherId");

            migrationBuilder.CreateIndex(
                name: "IX_LateChanges_LessonId",
                table: "LateChanges",
                column: "LessonId");

            migrationBuilder.CreateIndex(
                name: "IX_Outbox_At",
                table: "Outbox",
                column: "At");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "CoTeachers");

            migrationBuilder.DropTable(
                name: "LateChanges");

            migrationBuilder.DropTable(
                name: "Outbox");

            migrationBuilder.DropTable(
                name: "RoomRemovals");

            migrationBuilder.DropIndex(
                name: "IX_Participants_LessonId_ListNumber",
                table: "Participants");

            migrationBuilder.DropIndex(
                name: "IX_Lessons_Address",
                table: "Lessons");

            migrationBuilder.DropIndex(
                name: "IX_Lessons_EmbedKey",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Language",
                table: "Participants");

            migrationBuilder.DropColumn(
                name: "Address",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "ClosesAt",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "DueAt",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "EmbedKey",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Introduction",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "IsOverdue",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Language",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Names",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "OpensAt",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Waits",
                table: "Lessons");

            migrationBuilder.DropColumn(
                name: "Apart",
                table: "ClassLists");

            migrationBuilder.DropColumn(
                name: "FirstNamesOnly",
                table: "ClassLists");

            migrationBuilder.DropColumn(
                name: "Plan",
                table: "ClassLists");

            migrationBuilder.DropColumn(
                name: "Seats",
                table: "ClassLists");

            migrationBuilder.DropColumn(
                name: "Together",
                table: "ClassLists");

            migrationBuilder.DropColumn(
                name: "Language",
                table: "ClassEntries");

            migrationBuilder.DropColumn(
                name: "EndsAt",
                table: "AspNetUsers");

            migrationBuilder.DropColumn(
                name: "Names",
                table: "Activities");
        }
    }
}
