# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Dutch.
        module Nl
          GAP = Language::GAP
          MOVE = "(?:verhuizing|overdracht|transfer|domeinverhuizing)"
          MONTHS = {
            "jan(?:uari|\\.)?" => 1,
            "feb(?:ruari|\\.)?" => 2,
            "maart|mrt\\.?" => 3,
            "apr(?:il|\\.)?" => 4,
            "mei" => 5,
            "juni?" => 6,
            "juli?" => 7,
            "aug(?:ustus|\\.)?" => 8,
            "sept?(?:ember|\\.)?" => 9,
            "okt(?:ober|\\.)?" => 10,
            "nov(?:ember|\\.)?" => 11,
            "dec(?:ember|\\.)?" => 12
          }.freeze
          DAYS = {
            "maandag" => 1,
            "dinsdag" => 2,
            "woensdag" => 3,
            "donderdag" => 4,
            "vrijdag" => 5,
            "zaterdag" => 6,
            "zondag" => 0
          }.freeze
          NUMBERS = {
            "een|één" => 1,
            "twee" => 2,
            "drie" => 3,
            "vier" => 4,
            "vijf" => 5,
            "zes" => 6,
            "zeven" => 7,
            "acht" => 8,
            "tien" => 10,
            "veertien" => 14
          }.freeze

          WORDS =
            Language.new(
              id: "nl",
              ended:
                /\b(?:overdracht|verhuizing)\b#{GAP}{0,60}\b(?:geweigerd|geannuleerd|mislukt|
                  afgewezen)/ix,
              answers: {
                "wants" =>
                  /\b(?:graag|gelieve|wilt\ u|kunt\ u|verzoeken\ wij)\b#{GAP}{0,60}\b(?:
                    sturen|toesturen|
                    opsturen|aanleveren|bevestigen|doorgeven|meesturen|verstrekken)\b|
                   \b(?:hebben\ wij|wij\ hebben)\b#{GAP}{0,30}\bnodig\b/ix,
                "refused" =>
                  /\bkunnen\ (?:wij|we)\b#{GAP}{0,60}\b(?:niet|geen)\b|\bniet\ mogelijk\b|
                   \b(?:geweigerd|afgewezen)\b/ix,
                "done" =>
                  /\b(?:is|zijn|hebben)\b#{GAP}{0,40}\b(?:
                    ontgrendeld|verwijderd|opgeheven|verstuurd|
                    verzonden|gewijzigd|uitgeschakeld|vrijgegeven)\b/ix
              },
              passed:
                /(?:identiteit|identiteitscontrole|controle|verificatie|documenten|
                  legitimatie)#{GAP}{0,60}(?:
                  bevestigd|geverifieerd|geaccepteerd|goedgekeurd|geslaagd|voltooid|afgerond)/ix,
              marker: /\b(?:de|het|een|van|uw|wij|is|voor|niet|naar|bij|zijn|wordt|u|aan|ons)\b/i,
              kinds: {
                "landed" => [
                  [
                    5,
                    /\b#{MOVE}\b#{GAP}{0,60}(?:voltooid|afgerond|gelukt|geslaagd)/i,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\b(?:is\ verhuisd|succesvol\ (?:verhuisd|overgedragen)|staat\ nu\ bij|
                      heeft\ ons\ verlaten)/ix,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:gelieve|wilt\ u|moet|a\.?u\.?b\.?|alstublieft|verzoeken)\b#{GAP}{0,60}
                  (?:goedkeur|bevestig|keur|akkoord|toestem)\w*|
                  keur\b#{GAP}{0,50}\b#{MOVE}\b#{GAP}{0,40}\bgoed\b|
                  \b(?:bevestig)\b#{GAP}{0,50}\b#{MOVE}/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /\b#{MOVE}\b#{GAP}{0,80}uw\ (?:goedkeuring|toestemming|bevestiging|akkoord)|
                  uw\ (?:goedkeuring|toestemming|akkoord)\b#{GAP}{0,60}(?:nodig|vereist)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /\b(?:identiteit(?:scontrole|sbewijs)?|legitimatie|paspoort)\b/i,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:bevestig|verifieer|controleer|verificatie)\w*#{GAP}{0,50}(?:e-?mail|adres|
                      contactgegevens)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\b(?:autorisatiecode|verhuiscode|verhuistoken|transfercode|auth-?(?:info|code)|
                     autorisatiesleutel)\b/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /\b(?:verzoek|aanvraag|aangevraagd|gevraagd|melding)\b#{GAP}{0,90}(?:verhui\w*|
                     over\ te\ dragen|overdracht|
                  transfer)#{GAP}{0,60}(?:andere|elders|weg)/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\buitgaande\ (?:verhuizing|transfer)|\b(?:gaat\ ons\ verlaten|verlaat\ ons|
                      wordt\ verhuisd)\b/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\b(?:als\ u\ niets\ doet|zonder\ (?:reactie|bezwaar)|
                      als\ u\ niet\ reageert)/ix,
                    :silence_lets_it_go_ahead
                  ],
                  [3, /\b(?:weigeren|annuleren|bezwaar)\b/i, :it_says_how_to_stop_a_transfer]
                ],
                "lock-notice" => [
                  [
                    5,
                    /\b(?:transferlock|verhuisblokkade|verhuisslot|ontgrendeld|vergrendel\w*|
                      blokkade|slot)\b/ix,
                    :a_lock_was_set_or_taken_off
                  ]
                ],
                "hold" => [
                  [
                    14,
                    /(?:domein|naam)#{GAP}{0,60}(?:opgeschort|gedeactiveerd|geblokkeerd)/ix,
                    :the_name_is_on_hold
                  ]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:factuur|betaling|incasso|bedrag)#{GAP}{0,60}(?:onbetaald|achterstallig|
                      mislukt|geweigerd|openstaand|niet)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:factuur|kwitantie|betaling|bestelbevestiging|orderbevestiging)\b/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:bedrag|btw|totaal)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:aanbieding|korting|blijf\ bij\ ons|bespaar|tegoedbon|jammer\ dat)\b/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve:
                /(?<!\p{L})(?:goedkeur\w*|goed\ te\ keuren|accepteer|accepteren|bevestig\w*|
                  akkoord|vrijgeven|
                      toestemm\w*|
                      toestaan)/ix,
              decline:
                /(?<!\p{L})(?:afwijz\w*|af\ te\ wijzen|weiger\w*|annuleer|annuleren|behoud\w*|
                  tegenhoud\w*|
                      bezwaar|stoppen)/ix,
              refusal: /(?<!\p{L})niet (?:(?-i:\p{L})+ ){0,2}(?:goed|accept|bevestig|akkoord)\w*/i,
              unhappened: {
                inside:
                  /\b(?:wordt|worden|zal|zullen|niet|kan|kon|moet|nog|mislukt|geannuleerd|
                    geweigerd|binnenkort|
                       in\ behandeling)\b/ix,
                opening:
                  /\A\W*(?:zodra|als|wanneer|nadat|voordat|na|om)\b|\b(?:zodra|als|wanneer|
                    nadat)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:zodra|als|wanneer|binnen|wordt|zijn)\b/i
              },
              wrote: "schreef|heeft geschreven",
              earlier:
                "oorspronkelijk bericht|doorgestuurd bericht|uw (?:bericht|aanvraag)|geschiedenis",
              headers: %w[Van Verzonden Aan Onderwerp Datum Cc],
              footer: "deze e-?mail",
              mailing: /uitschrijven|afmelden voor (?:de |deze )?nieuwsbrief/i,
              of_codes:
                /\A\W{0,3}(?:is\ |werd\ )?(?:status|verzonden|verstuurd|aangevraagd|verlo|geldig|
                  aangemaakt)/ix,
              halves: /\b(?:helft|(?:eerste|tweede)\s+deel|deel\s*[12])\b/i,
              no_codes: %w[
                aangemaakt
                aangevraagd
                actief
                afgerond
                afgewezen
                behandeling
                beschikbaar
                bevestigd
                bijgevoegd
                geannuleerd
                geen
                geldig
                gereed
                geweigerd
                goedgekeurd
                hieronder
                inactief
                ja
                mislukt
                nee
                onbekend
                ongeldig
                ontgrendeld
                verborgen
                vergrendeld
                verlopen
                verstuurd
                verwerking
                verwijderd
                verzonden
                volgt
                voltooid
                wachtend
                zie
              ],
              codes:
                "(?:autorisatie-?code|verhuis-?(?:code|token)|transfer-?slot|transfer-?code|" \
                  "auth-?(?:info|code)|" \
                  "autorisatiesleutel)",
              leads:
                "(?:uiterlijk(?: op)?|vóór|voor|tot(?: en met| uiterlijk)?|deadline|verloopt(?: " \
                  "op)?|" \
                  "eindigt(?: op)?)",
              within: "(?:binnen|in de komende|u heeft|hebt)",
              asides:
                /\b(?:betaald|geregistreerd|verlengd|geldig|factuur|aanbieding|gereserveerd|
                  registratie)\b/ix,
              acts:
                /(?:reage|antwoord|goedkeur|bevestig|accepte|weiger|annule|bezwaar|gelieve|wilt\ u|
                  moet|heeft|
                   hebt|deadline|
                   link|verzoek|akkoord|horen|laat\ ons)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "uur|uren" => 3600,
                "(?:kalender)?dag(?:en)?" => 86_400,
                "we(?:ek|ken)" => 604_800,
                "werkdag(?:en)?" => :business
              }
            )
        end
      end
    end
  end
end
