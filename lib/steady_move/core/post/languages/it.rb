# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      module Languages
        # Italian.
        module It
          GAP = Language::GAP
          MONTHS = {
            "gen(?:naio|\\.)?" => 1,
            "feb(?:braio|\\.)?" => 2,
            "mar(?:zo|\\.)?" => 3,
            "apr(?:ile|\\.)?" => 4,
            "mag(?:gio|\\.)?" => 5,
            "giu(?:gno|\\.)?" => 6,
            "lug(?:lio|\\.)?" => 7,
            "ago(?:sto|\\.)?" => 8,
            "set(?:t(?:embre|\\.)?|\\.)?" => 9,
            "ott(?:obre|\\.)?" => 10,
            "nov(?:embre|\\.)?" => 11,
            "dic(?:embre|\\.)?" => 12
          }.freeze
          DAYS = {
            "lunedì" => 1,
            "martedì" => 2,
            "mercoledì" => 3,
            "giovedì" => 4,
            "venerdì" => 5,
            "sabato" => 6,
            "domenica" => 0
          }.freeze
          NUMBERS = {
            "un[oa]?" => 1,
            "due" => 2,
            "tre" => 3,
            "quattro" => 4,
            "cinque" => 5,
            "sei" => 6,
            "sette" => 7,
            "otto" => 8,
            "dieci" => 10,
            "quindici" => 15
          }.freeze

          WORDS =
            Language.new(
              id: "it",
              ended: /\btrasferimento\b#{GAP}{0,60}\b(?:rifiutato|annullato|fallito)/ix,
              answers: {
                "wants" =>
                  /\b(?:la\ preghiamo|vi\ preghiamo|per\ favore|può|potrebbe)\b#{GAP}{0,40}\b(?:
                    inviar(?:ci|e)|
                    fornir(?:ci|e)|allegar(?:ci|e)|confermar(?:ci|e)|indicar(?:ci|e)|inviateci)\b|
                   \babbiamo\ (?:ancora\ )?bisogno\b/ix,
                "refused" =>
                  /\bnon\ (?:possiamo|è\ possibile|potremo)\b|\b(?:rifiutat|respint)[oa]\b/ix,
                "done" =>
                  /\b(?:è|sono)\ stat[oaie]\ (?:
                    sbloccat|rimoss|inviat|modificat|disattivat|rilasciat)[oaie]\b|
                   \babbiamo\ (?:sbloccato|rimosso|inviato|modificato|disattivato)\b/ix
              },
              passed:
                /(?:identità|verifica|controllo|document[oi])#{GAP}{0,60}(?:verificat[oaie]|
                  confermat[oaie]|
                  accettat[oaie]|superat[oaie]|completat[oaie]|approvat[oaie]|riuscit[oa])/ix,
              marker:
                /\b(?:il|lo|la|del|della|di|che|per|una?|è|stato|suo|sua|con|non|nel|dominio)\b/i,
              kinds: {
                "landed" => [
                  [
                    5,
                    /\btrasferimento\b#{GAP}{0,60}(?:completat[oa]|concluso|terminato|riuscito|
                      con\ successo)/ix,
                    :a_transfer_is_complete
                  ],
                  [
                    5,
                    /\b(?:è stato trasferito|è ora (?:presso|registrato|gestito)|ci ha lasciato)/i,
                    :the_name_has_moved
                  ]
                ],
                "approval-request" => [
                  [
                    5,
                    /\b(?:si\ prega|per\ favore|la\ preghiamo|deve)\b#{GAP}{0,60}(?:approv|conferm|
                      autorizz|
                     accett)\w*
                  #{GAP}{0,60}trasferimento/ix,
                    :it_asks_to_approve_a_transfer
                  ],
                  [
                    4,
                    /(?:approvi|approva|confermi|conferma|autorizzi|
                      accetti)\b#{GAP}{0,50}trasferimento|
                  trasferimento#{GAP}{0,80}(?:sua|tua)\ (?:approvazione|conferma|autorizzazione)/ix,
                    :a_transfer_waits_for_approval
                  ]
                ],
                "identity-check" => [
                  [
                    6,
                    /\b(?:identità|documento d['’]identità|passaporto|carta d['’]identità)\b/i,
                    :it_asks_who_you_are
                  ]
                ],
                "contact-proof" => [
                  [
                    8,
                    /(?:verific|conferm|convalid)\w*#{GAP}{0,50}(?:indirizzo|e-?mail|posta|
                      contatt)/ix,
                    :it_asks_to_prove_an_address
                  ]
                ],
                "code" => [
                  [
                    5,
                    /\bcodice\ (?:di\ )?(?:autorizzazione|trasferimento|auth|EPP|AuthInfo)|
                      \bauth-?(?:info|code)/ix,
                    :it_speaks_of_an_authorization_code
                  ]
                ],
                "leaving-notice" => [
                  [
                    5,
                    /\b(?:richiesta|richiesto|informati|notifica|
                      ordine)\b#{GAP}{0,90}(?:trasfer\w*)#{GAP}{0,60}
                  (?:altro|altra|uscita)/ix,
                    :somebody_asked_for_a_transfer_away
                  ],
                  [
                    4,
                    /\btrasferimento\ in\ uscita|\b(?:sta\ per\ lasciarci|sarà\ trasferito|
                      ci\ lascia)\b/ix,
                    :the_name_is_about_to_leave
                  ],
                  [
                    3,
                    /\bse non (?:fa|risponde|riceviamo)|\bsenza (?:risposta|opposizione)/i,
                    :silence_lets_it_go_ahead
                  ],
                  [
                    3,
                    /\b(?:rifiutare|annullare|opporsi|bloccare)\b/i,
                    :it_says_how_to_stop_a_transfer
                  ]
                ],
                "lock-notice" => [
                  [5, /\bblocco\b|\bsblocc|\bbloccat[oa]\b/i, :a_lock_was_set_or_taken_off]
                ],
                "hold" => [
                  [14, /(?:dominio|nome)#{GAP}{0,60}(?:sospes|disattivat)/ix, :the_name_is_on_hold]
                ],
                "unpaid" => [
                  [
                    11,
                    /(?:fattura|pagamento|addebito|importo)#{GAP}{0,60}(?:non\ pagat|scadut|fallit|
                      rifiutat|insolut|non\ è)/ix,
                    :a_payment_is_open
                  ]
                ],
                "receipt" => [
                  [
                    5,
                    /\b(?:fattura|ricevuta|pagamento|conferma\ (?:d['’]|dell['’])ordine)\b/ix,
                    :it_is_about_a_payment
                  ],
                  [2, /\b(?:importo|IVA|totale)\b/i, :it_holds_a_sum]
                ],
                "offer" => [
                  [
                    5,
                    /\b(?:offerta|sconto|resti\ con\ noi|risparmi|buono|ci\ dispiace\ che)\b/ix,
                    :it_wants_you_to_stay
                  ]
                ]
              },
              approve: /(?<!\p{L})(?:approv\w*|accett\w*|conferm\w*|autorizz\w*|rilasci\w*)/i,
              decline:
                /(?<!\p{L})(?:rifiut\w*|annull\w*|resping\w*|manten\w*|blocc\w*|ferm(?:are|a|i)\b|
                  neg(?:are|
                      a)\b|oppor\w*)/ix,
              refusal: /(?<!\p{L})non (?:(?-i:\p{L})+ ){0,2}(?:approv|accett|conferm|autorizz)\w*/i,
              unhappened: {
                inside:
                  /\b(?:sarà|saranno|non|potrà|può|deve|fallito|in\ corso|annullato|respinto|
                    presto|sospeso)\b/ix,
                opening:
                  /\A\W*(?:una\ volta|quando|appena|non\ appena|se|dopo|prima|per)\b|
                    \b(?:una\ volta|quando|
                        appena|se)\b[^.,;]*\z/ix,
                behind: /\A\W*(?:una volta|quando|appena|se|entro)\b/i
              },
              wrote: "ha scritto|scrisse",
              earlier:
                "messaggio originale|messaggio inoltrato|il (?:suo|tuo) messaggio|cronologia",
              headers: %w[Da Inviato A Oggetto Data Cc],
              footer: "questa e-?mail",
              mailing: /disiscri\w*|annulla(?:re)? (?:l.)?iscrizione/i,
              of_codes: /\A\W{0,3}(?:è\ stato\ |è\ )?(?:stato|inviat|richiest|scad|valid|creat)/ix,
              halves: /\b(?:metà|(?:prima|seconda)\s+parte|parte\s*[12])\b/i,
              no_codes: %w[
                allegato
                annullata
                annullato
                approvato
                attesa
                attivo
                bloccato
                completata
                completato
                confermato
                creato
                disponibile
                elaborazione
                eliminato
                emesso
                fallita
                fallito
                generato
                inattivo
                inviata
                inviato
                nascosto
                nessuna
                nessuno
                pronto
                richiesta
                richiesto
                rifiutata
                rifiutato
                sbloccato
                scaduta
                scaduto
                sconosciuto
                seguente
                sotto
                spedito
                sì
                valida
                valido
                vedi
              ],
              codes:
                "(?:codice (?:di )?(?:autorizzazione|trasferimento|auth|EPP|AuthInfo)|chiave di " \
                  "trasferimento)",
              leads:
                "(?:entro(?: il| le)?|prima del|fino al|al più tardi(?: il)?|termine|scade(?: " \
                  "il)?|scadenza)",
              within: "(?:entro|nei prossimi|ha|in)",
              asides:
                /\b(?:pagato|registrato|rinnovato|valido|fattura|offerta|riservato|
                  registrazione)\b/ix,
              acts:
                /(?:rispond|risposta|approv|conferm|accett|rifiut|annull|si\ prega|preghiamo|deve|
                  ha\ |termine|
                   link|richiesta|
                   verific|autorizz|notizie|oppor)/ix,
              months: MONTHS,
              weekdays: DAYS,
              numbers: NUMBERS,
              units: {
                "ore|ora|h" => 3600,
                "giorn[oi](?: di calendario)?" => 86_400,
                "settiman[ae]" => 604_800,
                "giorn[oi] lavorativ[oi]" => :business
              }
            )
        end
      end
    end
  end
end
