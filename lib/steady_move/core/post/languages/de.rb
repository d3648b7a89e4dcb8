# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # German.
        module De
          GAP = Language::GAP
          MOVE =
            "(?:Transfer|Umzug|Domain-?(?:transfer|umzug)|Providerwechsel|Registrarwechsel|Wechse" \
              "l|Übertragung)"
          MONTHS = {
            "jan(?:uar|\\.)?" => 1,
            "feb(?:ruar|\\.)?" => 2,
            "(?:märz|maerz|mrz\\.?)" => 3,
            "apr(?:il|\\.)?" => 4,
            "mai" => 5,
            "juni?" => 6,
            "juli?" => 7,
            "aug(?:ust|\\.)?" => 8,
            "sept?(?:ember|\\.)?" => 9,
            "okt(?:ober|\\.)?" => 10,
            "nov(?:ember|\\.)?" => 11,
            "dez(?:ember|\\.)?" => 12
          }.freeze
          DAYS = {
            "montag" => 1,
            "dienstag" => 2,
            "mittwoch" => 3,
            "donnerstag" => 4,
            "freitag" => 5,
            "(?:samstag|sonnabend)" => 6,
            "sonntag" => 0
          }.freeze
          NUMBERS = {
            "eine[mrns]?" => 1,
            "zwei" => 2,
            "drei" => 3,
            "vier" => 4,
            "fünf" => 5,
            "sechs" => 6,
            "sieben" => 7,
            "acht" => 8,
            "neun" => 9,
            "zehn" => 10,
            "vierzehn" => 14
          }.freeze

          WORDS =
            Language.new(
              id: "de",
              ended:
                /#{MOVE}#{GAP}{0,60}\b(?:abgelehnt|abgebrochen|fehlgeschlagen|storniert|
                  nicht\ (?:ausgeführt|zustande))/ix,
              answers: {
                "wants" =>
                  /\b(?:bitte|möchten|können)\b#{GAP}{0,60}\b(?:senden|schicken|zusenden|
                    übermitteln|nachreichen|bestätigen|mitteilen|teilen|zukommen|
                    beifügen|angeben)\b|
                   \b(?:senden|schicken|übermitteln|teilen)\ Sie\b|
                   \b(?:benötigen|brauchen)\ wir\b|\bwir\ (?:benötigen|brauchen)\b/ix,
                "refused" =>
                  /\b(?:können|dürfen|werden)\ (?:wir\ )?#{GAP}{0,60}\b(?:nicht|keine?n?)\b|
                   \b(?:nicht\ möglich|abgelehnt|zurückgewiesen)\b/ix,
                "done" =>
                  /\b(?:wurden?|haben|ist|sind)\b#{GAP}{0,60}\b(?:entsperrt|aufgehoben|entfernt|
                    geändert|freigegeben|versendet|versandt|zugesandt|verschickt|gesetzt|erledigt|
                    deaktiviert|abgeschaltet)\b|\A\W*erledigt\b/ix
              },
              passed:
                /(?:Identität|Identitätsprüfung|Prüfung|Ausweis|Dokumente?|
                  Unterlagen)#{GAP}{0,60}(?:bestätigt|
                  bestanden|geprüft|abgeschlossen|akzeptiert|erfolgreich|verifiziert|anerkannt)/ix,
              marker:
                /\b(?:der|die|das|und|ist|wurde|Sie|Ihre?r?|nicht|für|von|bitte|wir|zum|den|mit|
                               haben)\b/ix,
              kinds: {
                "landed" => [
                  [
                    5,
                    /#{MOVE}#{GAP}{0,60}\b(?:abgeschlossen|vollzogen|beendet|erfolgreich)\b/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\berfolgreich\ (?:transferiert|übertragen|umgezogen|übernommen)|
                      \bumgezogen\b/ix,
                    :the_name_has_moved
                  ],
                  [
                    4,
                    /\b(?:hat\ uns\ verlassen|liegt\ jetzt\ bei|wird\ jetzt\ bei\ uns\ (?:geführt|
                      verwaltet)|
                     ist\ jetzt\ bei\ uns)/ix,
                    :the_name_is_held_there_now
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:bitte|müssen)\b#{GAP}{0,80}(?:bestätigen|genehmigen|stimmen|freigeben|
                      geben)\b|
                  \b(?:bestätigen|genehmigen)\ Sie\b#{GAP}{0,60}#{MOVE}/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /(?:Zustimmung|Genehmigung|Freigabe|Bestätigung)#{GAP}{0,60}(?:nötig|
                      erforderlich|benötigt|
                     zum|zur)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /Identität(?:sprüfung|snachweis)?\b|Ausweis(?:kopie)?\b|Reisepass/i,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:bestätigen|prüfen|verifizieren|Bestätigung|
                      Verifizierung)#{GAP}{0,60}(?:E-?Mail|
                     Kontaktdaten|Adresse)|
                  (?:E-?Mail-?Adresse|Kontaktdaten|Adresse)#{GAP}{0,60}(?:bestätig|verifizier|
                  prüfen)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\b(?:Auth-?(?:Info-?)?Code|Autorisierungs(?:code|schlüssel)|Transfer-?(?:code|
                      schlüssel)|
                     AuthInfo)/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /(?:Antrag|Auftrag|Anfrage|beantragt|angefordert|Wechsel|Transfer)#{GAP}{0,90}
                  (?:zu\ einem\ anderen|wegzuziehen|verlass|anderen\ (?:Anbieter|Registrar|
                  Provider))/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\b(?:verlässt\ uns|wird\ (?:weg)?transferiert|ausgehende[rn]?|Wegzug)/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\b(?:ohne|wenn|falls|sollten)\b#{GAP}{0,40}(?:Antwort|nichts|
                      nicht\ (?:reagieren|
                     widersprechen)|Einspruch)/ix,
                    :silence_lets_it_go_ahead
                  ],
                  [3, /widersprech/i, :it_says_how_to_stop_a_transfer]
                ],
                "lock-notice" => [
                  [
                    5,
                    /Transfer-?sperre|Registrar-?(?:sperre|lock)|Domain-?sperre|\bentsperrt\b|
                     Sperre#{GAP}{0,40}aufgehoben/ix,
                    :a_lock_was_set_or_taken_off
                  ]
                ],
                "hold" => [
                  [
                    14,
                    /(?:Domain|Name)#{GAP}{0,60}(?:gesperrt|deaktiviert|stillgelegt|ausgesetzt)/ix,
                    :the_name_is_on_hold
                  ]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:Rechnung|Zahlung|Lastschrift|Abbuchung|Betrag)#{GAP}{0,60}(?:unbezahlt|
                      überfällig|offen|fällig|fehlgeschlagen|abgelehnt|nicht)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:Rechnung|Quittung|Zahlung(?:sbestätigung)?|Bestellbestätigung)\b/i,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:Betrag|MwSt|USt|Gesamt)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:Angebot|Rabatt|Gutschein|bleiben\ Sie|Schade,\ dass|sparen\ Sie|
                      \d+\ ?%\ (?:auf|
                               Nachlass))/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve:
                /(?<!\p{L})(?:genehmig\w*|zustimm\w*|zuzustimmen|bestätig\w*|freigeben|freigabe|
                  annehm\w*|
                      akzeptier\w*|
                      erlaub\w*)/ix,
              decline:
                /(?<!\p{L})(?:ablehn\w*|abzulehnen|abbrech\w*|abzubrechen|stornier\w*|behalten|
                  widersprech\w*|
                      verweiger\w*|stopp\w*|zurückweis\w*|verhinder\w*)/ix,
              refusal:
                /(?<!\p{L})nicht#{GAP}{0,20}(?:genehmig|zustimm|bestätig|freigeb|annehm)\w*/i,
              unhappened: {
                inside:
                  /\b(?:wird|werden|kann|könnte|konnte|nicht|noch|soll|muss|würde|scheiterte|
                    fehlgeschlagen|nie|
                       abgelehnt|abgebrochen|in\ Kürze|beantragt)\b/ix,
                opening:
                  /\A\W*(?:sobald|wenn|falls|nachdem|bevor|nach|damit|bis)\b|\b(?:sobald|wenn|
                    falls|bis|
                        nachdem)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:werden|wird|sobald|wenn|falls|sein|ist,? ?(?:sobald|wenn))\b/i
              },
              wrote: "schrieb(?:en)?|hat geschrieben",
              earlier:
                "ursprüngliche nachricht|weitergeleitete nachricht|ihre (?:ursprüngliche " \
                  ")?(?:nachricht|anfrage)|sie schrieben|verlauf|bisheriger verlauf",
              headers: %w[Von Gesendet An Betreff Datum Kopie],
              footer: "diese (?:e-?mail|nachricht) wurde",
              mailing: /(?:den |vom )?newsletter (?:abbestellen|abmelden)|abbestellen|austragen/i,
              of_codes:
                /\A\W{0,3}(?:wurde\ |ist\ )?(?:status|versandt|verschickt|gesendet|angefordert|
                  gültig|läuft|
                  erstellt)/ix,
              halves: /\b(?:Hälfte|(?:erster?|zweiter?)\s+Teil|Teil\s*[12])\b/i,
              no_codes: %w[
                abgelaufen
                abgelehnt
                abgeschlossen
                aktiv
                angefordert
                angehalten
                ausstehend
                bald
                beantragt
                bearbeitung
                beigefügt
                benötigt
                bereit
                bestätigt
                brief
                entsperrt
                erfolgreich
                erforderlich
                erledigt
                erstellt
                erzeugt
                fehler
                fehlgeschlagen
                folgt
                geheim
                gelöscht
                genehmigt
                gesendet
                gesperrt
                gültig
                hinterlegt
                inaktiv
                ist
                ja
                kein
                keine
                keiner
                nein
                nicht
                nötig
                oben
                offen
                post
                separat
                siehe
                sind
                später
                storniert
                unbekannt
                ungültig
                unten
                verborgen
                verfügbar
                versandt
                verschickt
                versendet
                vorhanden
                wartend
                wird
                wurde
                zugestellt
              ],
              codes:
                "(?:Auth-?(?:Info-?)?Code|Autorisierungs(?:code|schlüssel)|Transfer-?(?:code|" \
                  "slot|geheimnis|schl" \
                  "üssel)|" \
                  "Umzugs-?code|Freigabe-?code|Schlüssel)",
              leads:
                "(?:bis(?: spätestens)?(?: zum| zur)?|spätestens(?: am| bis)?(?: zum)?|vor " \
                  "dem|Frist(?:ende)?|" \
                  "läuft(?: am)?|endet(?: am)?)",
              within: "(?:innerhalb(?: von| der nächsten)?|binnen|in den nächsten|haben)",
              asides:
                /\b(?:bezahlt|registriert|gültig|verlängert|Rechnung|Angebot|Laufzeit|
                  Registrierung|reserviert)\b/ix,
              acts:
                /(?:bestätig|genehmig|zustimm|antwort|widersprech|reagier|bitte|müssen|haben\ Sie|
                  Frist|ablehn|
                   hören|
                   Rückmeldung|Link|Antrag|freigeb|melden)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "Stunden?" => 3600,
                "(?:Kalender)?tage?n?" => 86_400,
                "Wochen?" => 604_800,
                "(?:Werk|Arbeits)tage?n?" => :business
              }
            )
        end
      end
    end
  end
end
