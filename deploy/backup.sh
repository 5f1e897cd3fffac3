#!/bin/sh
# deploy/backup.sh FOLDER: one backup of the database and pictures of the environment, read again to check it. Kept are those of 7 days, of
# 5 Sundays, and of 12 firsts of a month; a backup that failed removes nothing.
set -eu
folder=${1:?Say where to: deploy/backup.sh FOLDER}
today=$(date -u +%Y-%m-%d)
mkdir -p "$folder"
cd "$(dirname "$0")/.."
rm -f "$folder/unfinished"
node tools/backup.mjs "$folder/unfinished"
mv "$folder/unfinished" "$folder/$today.backup"

kept=" "
# Adds the newest so many of the backups whose day a test accepts.
keep() {
  count=0
  for file in $(ls -r "$folder" | grep -E '^[0-9]{4}-[0-9]{2}-[0-9]{2}\.backup$'); do
    day=${file%.backup}
    [ "$count" -lt "$1" ] || break
    case $2 in
      day) ;;
      sunday) [ "$(date -u -d "$day" +%u)" = 7 ] || continue ;;
      first) [ "${day##*-}" = 01 ] || continue ;;
    esac
    kept="$kept$file "
    count=$((count + 1))
  done
}
keep 7 day
keep 5 sunday
keep 12 first
for file in $(ls "$folder" | grep -E '^[0-9]{4}-[0-9]{2}-[0-9]{2}\.backup$'); do
  case $kept in
    *" $file "*) ;;
    *) rm "$folder/$file" ;;
  esac
done
