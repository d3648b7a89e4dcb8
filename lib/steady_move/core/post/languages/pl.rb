# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Polish.
        module Pl
          GAP = Language::GAP
          MONTHS = {
            "stycznia|styczeń|sty\\.?" => 1,
            "lutego|luty|lut\\.?" => 2,
            "marca|marzec|mar\\.?" => 3,
            "kwietnia|kwiecień|kwi\\.?" => 4,
            "maja|maj" => 5,
            "czerwca|czerwiec|cze\\.?" => 6,
            "lipca|lipiec|lip\\.?" => 7,
            "sierpnia|sierpień|sie\\.?" => 8,
            "września|wrzesień|wrz\\.?" => 9,
            "października|październik|paź\\.?" => 10,
            "listopada|listopad|lis\\.?" => 11,
            "grudnia|grudzień|gru\\.?" => 12
          }.freeze
          DAYS = {
            "poniedział(?:ek|ku)" => 1,
            "wtor(?:ek|ku)" => 2,
            "środ[ay]" => 3,
            "czwart(?:ek|ku)" => 4,
            "piąt(?:ek|ku)" => 5,
            "sobot[ay]" => 6,
            "niedziel[ai]" => 0
          }.freeze
          # Whatever an ending is; letters as they are, so that none is read in two ways.
          ANY = "(?-i:\\p{L})*"
          SOME = "(?-i:\\p{L})+"
          NUMBERS = {
            "jedn#{SOME}" => 1,
            "dw(?:a|óch|u)" => 2,
            "trzech?|trzy" => 3,
            "cztere?ch|cztery" => 4,
            "pięciu|pięć" => 5,
            "sześciu|sześć" => 6,
            "siedmiu|siedem" => 7,
            "dziesięciu|dziesięć" => 10
          }.freeze
          MOVE = "(?:transfer#{ANY}|przeniesieni#{ANY})".freeze

          WORDS =
            Language.new(
              id: "pl",
              ended: /\btransfer\b#{GAP}{0,60}\b(?:odrzucony|anulowany|nie\ powiódł)/ix,
              answers: {
                "wants" =>
                  /\b(?:prosimy|proszę)\b#{GAP}{0,40}(?:
                    przesłani|przesłać|wysłani|wysłać|podani|podać|
                    potwierdz|dostarcz|załącz)|\bpotrzebujemy\b/ix,
                "refused" =>
                  /\bnie\ (?:możemy|jest\ możliwe|możliwe|będziemy)|\b(?:odrzucon|odmówion)/ix,
                "done" =>
                  /\bzosta(?:ł|ła|ło|ły)\ (?:
                    odblokowan|usunięt|wysłan|zmienion|wyłączon|zwolnion)/ix
              },
              passed:
                /(?:tożsamoś#{ANY}|weryfikacj#{ANY}|dokument#{ANY})#{GAP}{0,60}(?:potwierdzon#{ANY}|
                  zweryfikowan#{ANY}|zaakceptowan#{ANY}|zakończon#{ANY}|pomyślnie|przyjęt#{ANY})/ix,
              marker:
                /(?<!\p{L})(?:jest|został[ao]?|na|nie|do|się|prosimy|domeny|domena|przez|dla|
                  państwa|
                               oraz|w|z|od|że)(?!\p{L})/ix,
              kinds: {
                "landed" => [
                  [
                    5,
                    /#{MOVE}#{GAP}{0,60}(?:zakończon#{ANY}|ukończon#{ANY}|powiódł|pomyślnie|
                      zakończył)/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /(?:został[ao]?\ (?:pomyślnie\ )?(?:przeniesion[aey]|przetransferowan[aey])|
                     jest\ teraz\ (?:u\ nas|w)|opuściła\ nas)/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /(?:prosimy|proszę|należy|musisz|muszą)#{GAP}{0,60}(?:zatwierdz|potwierdz|
                      zaakceptow|zgod|
                     akcept)#{ANY}
                  #{GAP}{0,60}#{MOVE}/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /(?:zatwierdź|potwierdź|zaakceptuj)#{GAP}{0,50}#{MOVE}|
                  #{MOVE}#{GAP}{0,80}(?:zgod\p{L}+|potwierdzeni\p{L}+|akceptacj\p{L}+)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /tożsamoś#{SOME}|paszport#{ANY}|dow[óo]d#{ANY} osobist#{SOME}/i,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:potwierdź|potwierdz#{ANY}|zweryfikuj|
                      weryfikacj#{SOME})#{GAP}{0,50}(?:adres#{ANY}|e-?mail|
                     dan#{SOME}\ kontaktow)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /kod#{ANY}\ (?:autoryzacyjn#{SOME}|autoryzacji|transferu|transferow#{SOME}|
                      auth#{ANY}|EPP)|
                      auth-?(?:info|code)/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /(?:wniosek|zlecenie|żądanie|prośb#{SOME}|
                      otrzymaliśmy)#{GAP}{0,90}#{MOVE}#{GAP}{0,60}
                  (?:inn#{SOME}|wychodząc#{SOME})/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /transfer#{ANY}\ wychodząc#{SOME}|zostanie\ przeniesion#{SOME}|opuszcza\ nas/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /(?:jeśli|jeżeli)#{GAP}{0,30}(?:nic|nie\ odpowi|nie\ zareag)|
                      brak#{ANY}\ (?:odpowiedzi|sprzeciwu)/ix,
                    :silence_lets_it_go_ahead
                  ],
                  [3, /sprzeciw#{ANY}|(?:odrzucić|anulować)/i, :it_says_how_to_stop_a_transfer]
                ],
                "lock-notice" => [
                  [
                    5,
                    /blokad#{SOME}|odblokowan#{SOME}|zablokowan#{SOME}/i,
                    :a_lock_was_set_or_taken_off
                  ]
                ],
                "hold" => [
                  [
                    14,
                    /(?:domena|nazwa)#{GAP}{0,60}(?:zawieszon|zablokowan|dezaktywowan)/ix,
                    :the_name_is_on_hold
                  ]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:faktur|płatność|płatności|kwota)#{GAP}{0,60}(?:nieopłacon|zaległ|
                      nie\ powiodł|odrzucon|przetermin)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /(?:faktur#{SOME}|paragon|płatnoś#{SOME}|potwierdzenie\ zamówienia|
                      wpłat#{SOME})/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /(?:kwota|VAT|razem|suma)/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /(?:ofert#{SOME}|rabat#{ANY}|zniżk#{SOME}|zostań\ z\ nami|oszczędź|kupon)/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve:
                /(?<!\p{L})(?:zatwierd[zź]#{ANY}|zaakcept#{ANY}|akceptuj#{ANY}|potwierd[zź]#{ANY}|
                  zgadzam|
                      zgoda|wyrażam)/ix,
              decline:
                /(?<!\p{L})(?:odrzu#{ANY}|anulu#{ANY}|anulow#{ANY}|odm[óo]w#{ANY}|zachowa#{ANY}|
                  zatrzyma#{ANY}|
                      sprzeciw#{ANY})/ix,
              refusal:
                /(?<!\p{L})nie\ (?:#{SOME}\ ){0,2}(?:zatwierd|zaakcept|potwierd|zgadzam|
                  wyrażam)#{ANY}/ix,
              unhappened: {
                inside:
                  /(?<!\p{L})(?:zostanie|będzie|nie|może|mogło|trzeba|jeszcze|odrzucon#{SOME}|
                    anulowan#{SOME}|
                       w\ toku|wkrótce)(?!\p{L})/ix,
                opening:
                  /\A\W*(?:gdy|kiedy|po|jeśli|jeżeli|zanim|aby|jak\ tylko)(?!\p{L})|
                    (?<!\p{L})(?:gdy|kiedy|
                        jeśli|jeżeli)(?!\p{L})[^.,;]*\z/ix,
                behind: /\A\W*(?:gdy|kiedy|po|jeśli|w ciągu)(?!\p{L})/i
              },
              wrote: "napisał(?:\\(a\\)|a)?|pisze",
              earlier: "oryginalna wiadomość|przekazana wiadomość|twoja wiadomość|historia",
              headers: %w[Od Wysłano Do Temat Data DW],
              footer: "ta wiadomość została",
              mailing: /wypisz(?: się)?|rezygnacja z (?:newslettera|subskrypcji)/i,
              of_codes:
                /\A\W{0,3}(?:został\ |jest\ )?(?:status|stan|wysłan|zamówion|wyga|ważn|utworzon)/ix,
              halves: /(?:połow|(?:pierwsza|druga)\s+część|część\s*[12])/i,
              no_codes: %w[
                aktywny
                anulowano
                anulowany
                brak
                błąd
                dostępny
                gotowy
                nie
                nieaktywny
                nieudany
                nieważny
                nieznany
                oczekuje
                oczekujący
                odblokowany
                odrzucono
                odrzucony
                patrz
                poniżej
                potwierdzony
                przesłany
                przetwarzanie
                tak
                ukryty
                usunięty
                utworzony
                ważna
                ważny
                wydany
                wygasł
                wygasły
                wygenerowany
                wysłano
                wysłany
                zablokowany
                zakończono
                zakończony
                zamówiony
                zatwierdzony
                załączony
                żądany
              ],
              codes:
                "(?:kod#{ANY} (?:autoryzacyjn#{SOME}|autoryzacji|transferu|transferow#{SOME}|" \
                  "auth#{ANY}|EPP)|klucz " \
                  "transferu)",
              leads: "(?:do(?: dnia)?|przed|najpóźniej(?: do)?|termin(?: do)?|wygasa)",
              within: "(?:w ciągu|w terminie|mają Państwo|masz)",
              asides: /(?:opłacon|zarejestrowan|ważn[aey]|faktur|ofert|odnowion)#{ANY}/i,
              acts:
                /(?:odpowi|potwierd|zatwierd|akcept|odrzu|anulow|sprzeciw|prosimy|proszę|należy|
                  musi|termin|link|
                   wniosek|zgod)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "godzin(?:y|ę)?|godz\\.?" => 3600,
                "dni(?: kalendarzowych)?|dnia" => 86_400,
                "tygodni[ae]?" => 604_800,
                "dni robocz#{SOME}" => :business
              }
            )
        end
      end
    end
  end
end
